<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Frame;

/**
 * A picture's light as a small grid: for each cell, row by row, its darkest and its brightest luminance as one byte each
 * of the sRGB-coded grey (0 to 255), so that steps are even to the eye.
 */
final readonly class LightMap implements LightUnder
{
    public const COLUMNS = 48;
    public const ROWS = 27;

    /** @param string $cells COLUMNS * ROWS * 2 bytes */
    public function __construct(private string $cells)
    {
        if (self::COLUMNS * self::ROWS * 2 !== \strlen($cells)) {
            throw new \DomainException('A light map has ' . self::COLUMNS * self::ROWS . ' cells.');
        }
    }

    public function under(Frame $part): array
    {
        $left = min(self::COLUMNS - 1, (int) floor($part->x * self::COLUMNS + 1e-6));
        $top = min(self::ROWS - 1, (int) floor($part->y * self::ROWS + 1e-6));
        $right = max($left + 1, (int) ceil(($part->x + $part->width) * self::COLUMNS - 1e-6));
        $bottom = max($top + 1, (int) ceil(($part->y + $part->height) * self::ROWS - 1e-6));
        $dark = 255;
        $bright = 0;
        for ($row = $top; $row < min($bottom, self::ROWS); ++$row) {
            for ($column = $left; $column < min($right, self::COLUMNS); ++$column) {
                $at = 2 * ($row * self::COLUMNS + $column);
                $dark = min($dark, \ord($this->cells[$at]));
                $bright = max($bright, \ord($this->cells[$at + 1]));
            }
        }

        return [Contrast::linear($dark / 255), Contrast::linear($bright / 255)];
    }
}
