<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;

/**
 * What matters in a picture: the faces in it, and where along its width and down its height it stands out, in even shares of the side,
 * 0 to 15 each. Measured once, of the upright picture; a recipe turns and crops it along with the picture.
 */
final readonly class Matters
{
    /** Shares of a side. */
    public const PARTS = 16;
    /** The most that one stands out. */
    public const MOST = 15;

    /**
     * @param list<Frame>       $faces  the largest first
     * @param list<int<0, 15>>  $across from the left, PARTS of them
     * @param list<int<0, 15>>  $down   from the top
     */
    public function __construct(public array $faces, public array $across, public array $down) {}

    public static function read(Fields $in): self
    {
        return new self(
            \array_slice(array_map(Frame::read(...), $in->objects('faces')), 0, Limits::FACES),
            self::figures($in->text('across', self::PARTS)),
            self::figures($in->text('down', self::PARTS)),
        );
    }

    /** The same of the picture when it is turned clockwise by so many quarters. */
    public function turned(int $quarters): self
    {
        [$across, $down] = match ((($quarters % 4) + 4) % 4) {
            1 => [array_reverse($this->down), $this->across],
            2 => [array_reverse($this->across), array_reverse($this->down)],
            3 => [$this->down, array_reverse($this->across)],
            default => [$this->across, $this->down],
        };

        return new self(array_map(static fn(Frame $face): Frame => $face->turned($quarters), $this->faces), $across, $down);
    }

    /** The same of a part of the picture. A face of which less than half is left is none. */
    public function inside(Frame $crop): self
    {
        $middle = static fn(float $at, float $from, float $length): bool => $at > $from && $at < $from + $length;
        $faces = array_filter($this->faces, static fn(Frame $face): bool => $middle($face->x + $face->width / 2, $crop->x, $crop->width)
            && $middle($face->y + $face->height / 2, $crop->y, $crop->height));

        return new self(
            array_values(array_map(static fn(Frame $face): Frame => $face->inside($crop), $faces)),
            self::part($this->across, $crop->x, $crop->width),
            self::part($this->down, $crop->y, $crop->height),
        );
    }

    /**
     * @param list<int<0, 15>> $figures
     *
     * @return list<int<0, 15>>
     */
    private static function part(array $figures, float $from, float $length): array
    {
        return array_map(
            static fn(int $i): int => $figures[min(self::PARTS - 1, (int) (self::PARTS * $from + $length * ($i + 0.5)))] ?? 0,
            range(0, self::PARTS - 1),
        );
    }

    /**
     * @return list<int<0, 15>>
     *
     * @throws Malformed
     */
    private static function figures(string $text): array
    {
        if (1 !== preg_match('/^[0-9a-f]{' . self::PARTS . '}$/D', $text)) {
            throw new Malformed('document.no-figures', ['figures' => self::PARTS]);
        }

        return array_map(static fn(string $digit): int => max(0, min(self::MOST, (int) hexdec($digit))), str_split($text));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'faces' => array_map(static fn(Frame $face): array => $face->toArray(), $this->faces),
            'across' => implode('', array_map(dechex(...), $this->across)),
            'down' => implode('', array_map(dechex(...), $this->down)),
        ];
    }
}
