<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

/**
 * A look of the whole picture. Each is a matrix on the sRGB values of a colour, what contrast it adds, and the values that black and
 * white become. All are our own.
 */
enum Look: string
{
    case Ink = 'ink';
    case Pencil = 'pencil';
    case Tea = 'tea';
    case Album = 'album';
    case Hearth = 'hearth';
    case Frost = 'frost';
    case Fair = 'fair';
    case Dusk = 'dusk';

    /** @return list<float> nine numbers, row by row: how much of red, green and blue each of the three becomes */
    public function matrix(): array
    {
        return match ($this) {
            self::Ink => [0.30, 0.60, 0.10, 0.30, 0.60, 0.10, 0.30, 0.60, 0.10],
            self::Pencil => [0.36, 0.46, 0.18, 0.36, 0.46, 0.18, 0.36, 0.46, 0.18],
            self::Tea => [0.34, 0.58, 0.14, 0.29, 0.53, 0.12, 0.22, 0.44, 0.10],
            self::Album => [0.80, 0.15, 0.05, 0.08, 0.84, 0.08, 0.10, 0.15, 0.75],
            self::Hearth => [1.03, 0.05, 0.00, 0.02, 0.98, 0.00, 0.00, 0.04, 0.84],
            self::Frost => [0.88, 0.04, 0.02, 0.00, 0.96, 0.04, 0.02, 0.06, 1.00],
            self::Fair => [1.26, -0.22, -0.04, -0.06, 1.12, -0.06, -0.04, -0.20, 1.24],
            self::Dusk => [0.62, 0.26, 0.06, 0.14, 0.70, 0.12, 0.12, 0.28, 0.64],
        };
    }

    /** From -1 to 1, beside what is asked for. */
    public function contrast(): float
    {
        return match ($this) {
            self::Ink => 0.28,
            self::Fair => 0.12,
            self::Dusk => 0.18,
            self::Pencil => -0.10,
            default => 0.0,
        };
    }

    /** @return array{float, float} what black and white become, of 1 */
    public function ends(): array
    {
        return match ($this) {
            self::Pencil => [0.09, 0.97],
            self::Tea => [0.03, 0.97],
            self::Album => [0.10, 0.94],
            self::Frost => [0.02, 1.0],
            self::Dusk => [0.0, 0.86],
            default => [0.0, 1.0],
        };
    }
}
