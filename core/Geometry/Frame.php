<?php

declare(strict_types=1);

namespace Rhapsode\Core\Geometry;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/** A part of an upright picture, in fractions of its width and height. It never leaves the picture. */
final readonly class Frame
{
    private const SLACK = 1e-9;

    /** @throws Malformed when the frame is empty or leaves the picture */
    public function __construct(public float $x, public float $y, public float $width, public float $height)
    {
        if ($x < -self::SLACK || $y < -self::SLACK || $width <= 0 || $height <= 0
            || $x + $width > 1 + self::SLACK || $y + $height > 1 + self::SLACK) {
            throw new Malformed('document.framing-outside');
        }
    }

    public static function read(Fields $in): self
    {
        return new self(
            $in->number('x', 0, 1),
            $in->number('y', 0, 1),
            $in->number('width', Limits::LEAST_PART, 1),
            $in->number('height', Limits::LEAST_PART, 1),
        );
    }

    public static function all(): self
    {
        return new self(0, 0, 1, 1);
    }

    /** The nearest frame of this size about a centre that stays within the picture. */
    public static function about(float $centreX, float $centreY, float $width, float $height): self
    {
        $width = min(1.0, $width);
        $height = min(1.0, $height);

        return new self(
            max(0.0, min(1 - $width, $centreX - $width / 2)),
            max(0.0, min(1 - $height, $centreY - $height / 2)),
            $width,
            $height,
        );
    }

    /** The same centre, $factor times as large (below 1: closer), held within the picture. */
    public function scaled(float $factor): self
    {
        return self::about($this->x + $this->width / 2, $this->y + $this->height / 2, $this->width * $factor, $this->height * $factor);
    }

    /** The frame a share $t (0 to 1) of the way to another. Between two frames within the picture every frame is. */
    public function toward(self $other, float $t): self
    {
        return new self(
            $this->x + ($other->x - $this->x) * $t,
            $this->y + ($other->y - $this->y) * $t,
            $this->width + ($other->width - $this->width) * $t,
            $this->height + ($other->height - $this->height) * $t,
        );
    }

    /** The part of the picture seen in a part of the slide, while the slide shows this frame. */
    public function within(self $part): self
    {
        return self::about(
            $this->x + $this->width * ($part->x + $part->width / 2),
            $this->y + $this->height * ($part->y + $part->height / 2),
            $this->width * $part->width,
            $this->height * $part->height,
        );
    }

    /** The same part of the picture when that is turned clockwise by so many quarters. */
    public function turned(int $quarters): self
    {
        return match ((($quarters % 4) + 4) % 4) {
            1 => new self(1 - $this->y - $this->height, $this->x, $this->height, $this->width),
            2 => new self(1 - $this->x - $this->width, 1 - $this->y - $this->height, $this->width, $this->height),
            3 => new self($this->y, 1 - $this->x - $this->width, $this->height, $this->width),
            default => $this,
        };
    }

    /** The same part of the picture when only $crop of it is left, or the nearest to it that there is. */
    public function inside(self $crop): self
    {
        return self::about(
            ($this->x + $this->width / 2 - $crop->x) / $crop->width,
            ($this->y + $this->height / 2 - $crop->y) / $crop->height,
            max(Limits::LEAST_PART, $this->width / $crop->width),
            max(Limits::LEAST_PART, $this->height / $crop->height),
        );
    }

    /** What of it lies in a part, in shares of that part; null where nothing does. */
    public function cut(self $part): ?self
    {
        [$left, $top] = [max($this->x, $part->x), max($this->y, $part->y)];
        $width = min($this->x + $this->width, $part->x + $part->width) - $left;
        $height = min($this->y + $this->height, $part->y + $part->height) - $top;

        return $width <= 0 || $height <= 0 ? null : new self(
            ($left - $part->x) / $part->width,
            ($top - $part->y) / $part->height,
            min(1.0, $width / $part->width),
            min(1.0, $height / $part->height),
        );
    }

    /** The area that lies in both, of 1 for the whole picture. */
    public function shared(self $other): float
    {
        return max(0.0, min($this->x + $this->width, $other->x + $other->width) - max($this->x, $other->x))
            * max(0.0, min($this->y + $this->height, $other->y + $other->height) - max($this->y, $other->y));
    }

    /** The smallest frame that holds both. */
    public function hull(self $other): self
    {
        $x = min($this->x, $other->x);
        $y = min($this->y, $other->y);

        return new self(
            $x,
            $y,
            max($this->x + $this->width, $other->x + $other->width) - $x,
            max($this->y + $this->height, $other->y + $other->height) - $y,
        );
    }

    public function equals(self $other): bool
    {
        return abs($this->x - $other->x) + abs($this->y - $other->y) + abs($this->width - $other->width) + abs($this->height - $other->height) < 1e-9;
    }

    /** As it stands in a document. */
    public function rounded(): self
    {
        return new self(...$this->toArray());
    }

    /** @return array{x: float, y: float, width: float, height: float} to a millionth, and still within the picture */
    public function toArray(): array
    {
        [$width, $height] = [round($this->width, 6), round($this->height, 6)];

        return [
            'x' => round(max(0.0, min($this->x, 1 - $width)), 6),
            'y' => round(max(0.0, min($this->y, 1 - $height)), 6),
            'width' => $width,
            'height' => $height,
        ];
    }
}
