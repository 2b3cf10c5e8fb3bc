<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

enum IconColour: string
{
    case White = 'white';
    case Ink = 'ink';
    case Red = 'red';
    case Gold = 'gold';

    /** #RRGGBB */
    public function hex(): string
    {
        return match ($this) {
            self::White => '#FFFFFF',
            self::Ink => '#20242B',
            self::Red => '#B3322B',
            self::Gold => '#E0A526',
        };
    }
}
