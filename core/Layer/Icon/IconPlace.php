<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

/** Where an icon stands: within the graphics safe area of EBU R 95, 5 % away from each edge. */
enum IconPlace: string
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

    private const EDGE = 0.05;

    /** @param float $size share of the slide's shorter side */
    public function box(Shape $shape, float $size): Frame
    {
        $width = $size * min(1.0, 1 / $shape->ratio());
        $height = $size * min(1.0, $shape->ratio());
        $along = static fn(
            bool $first,
            bool $last,
            float $length,
        ): float => $first ? self::EDGE : ($last ? 1 - self::EDGE - $length : (1 - $length) / 2);

        return new Frame(
            $along(str_ends_with($this->value, 'left'), str_ends_with($this->value, 'right'), $width),
            $along(str_starts_with($this->value, 'top'), str_starts_with($this->value, 'bottom'), $height),
            $width,
            $height,
        );
    }
}
