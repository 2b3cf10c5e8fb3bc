<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

/** Where a drift goes, from the other side. Left and right are the slide's, whichever way its language is read. */
enum Way: string
{
    case Up = 'up';
    case UpRight = 'up-right';
    case Right = 'right';
    case DownRight = 'down-right';
    case Down = 'down';
    case DownLeft = 'down-left';
    case Left = 'left';
    case UpLeft = 'up-left';

    /** Of what goes up or down and aside it goes so much aside: as rain does in wind. */
    private const ASLANT = 22.0;

    /** @return float degrees, clockwise from straight up */
    public function angle(DriftKind $kind): float
    {
        $aslant = DriftKind::Rain === $kind ? self::ASLANT : 45.0;

        return match ($this) {
            self::Up => 0.0,
            self::UpRight => $aslant,
            self::Right => 90.0,
            self::DownRight => 180.0 - $aslant,
            self::Down => 180.0,
            self::DownLeft => 180.0 + $aslant,
            self::Left => 270.0,
            self::UpLeft => 360.0 - $aslant,
        };
    }
}
