<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;

/**
 * What is done to a picture before it is shown, in this order; the original is never changed. $eyes are marks in the upright original in
 * which a red eye is mended. $turn is degrees clockwise: 0, 90, 180
 * or 270. $straighten is degrees clockwise, in tenths, -15 to 15: of the picture so turned the largest part of its own shape is kept
 * that holds no empty corner. $crop is a part of that.
 */
final readonly class Recipe
{
    public float $straighten;

    /** @param list<Frame> $eyes */
    public function __construct(
        public int $turn = 0,
        float $straighten = 0.0,
        public ?Frame $crop = null,
        public Tone $tone = new Tone(),
        public array $eyes = [],
    ) {
        $this->straighten = round($straighten, 1);
    }

    public static function read(Fields $in): self
    {
        $crop = $in->has('crop') ? Frame::read($in->object('crop')) : null;

        return new self(
            90 * $in->quarters('turn', 0),
            $in->number('straighten', -Limits::STRAIGHTENED, Limits::STRAIGHTENED, 0.0),
            true === $crop?->equals(Frame::all()) ? null : $crop,
            Tone::read($in),
            self::eyes($in),
        );
    }

    /**
     * Where a part of the picture so made lies when it is made by another recipe. A picture that is straightened changes by so
     * little that its parts stay where they are.
     */
    public function carried(Frame $part, self $to): Frame
    {
        $whole = Frame::all();
        $turned = ($this->crop ?? $whole)->within($part)->turned(intdiv($to->turn - $this->turn, 90));

        return $turned->inside($to->crop ?? $whole)->rounded();
    }

    /** @param list<Frame> $marks on red eyes; those beyond the limit are left out, and so are those that are there already */
    public function withEyes(array $marks): self
    {
        $new = array_filter($marks, fn(Frame $mark): bool => !\in_array($mark, $this->eyes, false));
        $eyes = \array_slice([...$this->eyes, ...$new], 0, Limits::EYES);

        return new self($this->turn, $this->straighten, $this->crop, $this->tone, $eyes);
    }

    /** What is kept of the picture when it is turned so far instead. */
    public function turnedCrop(int $turn): ?Frame
    {
        return $this->crop?->turned(intdiv($turn - $this->turn, 90))->rounded();
    }

    /** Whether it leaves the parts of a picture where another leaves them. */
    public function liesAs(self $other): bool
    {
        return $this->turn === $other->turn && $this->crop?->toArray() === $other->crop?->toArray();
    }

    /**
     * @return list<Frame>
     *
     * @throws Malformed
     */
    private static function eyes(Fields $in): array
    {
        $eyes = $in->objects('eyes');
        if (\count($eyes) > Limits::EYES) {
            throw new Malformed('document.too-many-eyes', ['most' => Limits::EYES]);
        }

        return array_map(Frame::read(...), $eyes);
    }

    /** Names what is done, for the files that come of it; empty where nothing is. */
    public function key(): string
    {
        $told = $this->toArray();

        return match (true) {
            $this->isPlain() => '',
            ['turn'] === array_keys($told) => 't' . $this->turn,
            default => 'r' . substr(hash('sha256', json_encode($told, \JSON_THROW_ON_ERROR)), 0, 16),
        };
    }

    public function isPlain(): bool
    {
        return ['turn' => 0] === $this->toArray();
    }

    /** Width over height of the picture when that is done. */
    public function ratio(Picture $picture): float
    {
        return $this->turned($picture->width / $picture->height) * (null === $this->crop ? 1.0 : $this->crop->width / $this->crop->height);
    }

    /** What matters in the picture when that is done; null where it is not known. */
    public function matters(Picture $picture): ?Matters
    {
        $turned = $picture->matters?->turned(intdiv($this->turn, 90));

        return null === $this->crop ? $turned : $turned?->inside($this->crop);
    }

    /** Its width in pixels when that is done. */
    public function width(Picture $picture): int
    {
        $width = 0 === $this->turn % 180 ? $picture->width : $picture->height;
        if (0.0 === $this->straighten && null === $this->crop) {
            return $width;
        }
        $share = $this->inside($this->turned($picture->width / $picture->height)) * ($this->crop->width ?? 1.0);

        return max(1, (int) round($share * $width));
    }

    private function turned(float $ratio): float
    {
        return 0 === $this->turn % 180 ? $ratio : 1 / $ratio;
    }

    /**
     * The share of each side that is kept when the picture is straightened: the largest box of its own shape that lies within it
     * when it is turned about its middle.
     *
     * @param float $ratio of the picture after its quarter turns
     */
    public function inside(float $ratio): float
    {
        $angle = deg2rad(abs($this->straighten));

        return 1 / max(cos($angle) + sin($angle) / $ratio, cos($angle) + $ratio * sin($angle));
    }

    /** @return array<string, mixed> what is not as usual, and the turn */
    public function toArray(): array
    {
        return ['turn' => $this->turn]
            + (0.0 === $this->straighten ? [] : ['straighten' => $this->straighten])
            + (null === $this->crop ? [] : ['crop' => $this->crop->toArray()])
            + $this->tone->toArray()
            + ([] === $this->eyes ? [] : ['eyes' => array_map(static fn(Frame $eye): array => $eye->toArray(), $this->eyes)]);
    }
}
