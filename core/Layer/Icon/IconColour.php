<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Words\Scheme;

enum IconColour: string
{
    case White = 'white';
    case Ink = 'ink';
    case Red = 'red';
    case Gold = 'gold';
    /** As the story's style has it. */
    case Style = 'style';
    /** A drawing's own colours; of a sign that has none, the style's. */
    case Own = 'own';

    /** #RRGGBB of a sign of one colour */
    public function hex(Scheme $scheme): string
    {
        return match ($this) {
            self::White => '#FFFFFF',
            self::Ink => '#20242B',
            self::Red => '#B3322B',
            self::Gold => '#E0A526',
            self::Style, self::Own => $scheme->accent,
        };
    }

    /** Of a drawing of many colours; null for its own. */
    public function tint(Scheme $scheme): ?Tint
    {
        return match ($this) {
            self::Own => null,
            self::Style => Tint::of($scheme),
            // Of one colour, on paper.
            default => new Tint($this->hex($scheme), $this->hex($scheme), '#FFFFFF'),
        };
    }
}
