<?php

declare(strict_types=1);

namespace Rhapsode\Core\Geometry;

use Rhapsode\Core\Document\Limits;

/** Nine places on a slide, within the graphics safe area of EBU R 95: 5 % away from each edge. */
enum Spot: string
{
    case TopLeft = 'top-left';
    case Top = 'top';
    case TopRight = 'top-right';
    case Left = 'left';
    case Middle = 'middle';
    case Right = 'right';
    case BottomLeft = 'bottom-left';
    case Bottom = 'bottom';
    case BottomRight = 'bottom-right';

    public const EDGE = Limits::SAFE_EDGE;

    /** @return int -1 at the left, 0 in the middle, 1 at the right */
    public function across(): int
    {
        return (int) str_ends_with($this->value, 'right') - (int) str_ends_with($this->value, 'left');
    }

    /** @return int -1 at the top, 0 in the middle, 1 at the bottom */
    public function down(): int
    {
        return (int) str_starts_with($this->value, 'bottom') - (int) str_starts_with($this->value, 'top');
    }

    /** @param float $size of a square, a share of the slide's shorter side */
    public function box(Shape $shape, float $size): Frame
    {
        $width = $size * min(1.0, 1 / $shape->ratio());
        $height = $size * min(1.0, $shape->ratio());

        return new Frame(self::along($this->across(), $width), self::along($this->down(), $height), $width, $height);
    }

    private static function along(int $side, float $length): float
    {
        return match ($side) {
            -1 => self::EDGE,
            1 => 1 - self::EDGE - $length,
            default => (1 - $length) / 2,
        };
    }
}
