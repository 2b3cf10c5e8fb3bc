<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

/** How much of a drift there is. */
enum Strength: string
{
    case Little = 'little';
    case Some = 'some';
    case Much = 'much';

    /** How many there are of what it is made of, of the usual number. */
    public function many(): float
    {
        return match ($this) {
            self::Little => 0.55,
            self::Some => 1.0,
            self::Much => 1.8,
        };
    }

    /** How much each of them covers, of what is usual. */
    public function covers(): float
    {
        return match ($this) {
            self::Little => 0.7,
            self::Some => 1.0,
            self::Much => 1.25,
        };
    }
}
