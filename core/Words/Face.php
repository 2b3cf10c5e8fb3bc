<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** The faces that words are set in, and the scripts that each has letters for; others are drawn in the system's own. */
enum Face: string
{
    /** Of a book: Latin, Cyrillic, Greek. */
    case Reading = 'reading';
    /** Made for weak eyes: Latin. */
    case Plain = 'plain';
    /** Written by hand: Latin. */
    case Hand = 'hand';
    /** Of a typewriter: Latin. */
    case Typed = 'typed';
    /** Cut in stone: Latin, Cyrillic. */
    case Solemn = 'solemn';
    /** To be called out: Latin, Cyrillic, Hebrew, Arabic. */
    case Loud = 'loud';

    /** How much larger it is set than others, so that its letters look as large: theirs are small in their line. */
    public function scale(): float
    {
        return match ($this) {
            self::Hand => 1.2,
            self::Solemn => 1.15,
            default => 1.0,
        };
    }

    /** @return non-empty-list<Weight> the usual one first */
    public function weights(): array
    {
        return match ($this) {
            self::Hand, self::Solemn => [Weight::Semibold],
            self::Typed => [Weight::Semibold, Weight::Regular],
            default => [Weight::Semibold, Weight::Regular, Weight::Bold],
        };
    }
}
