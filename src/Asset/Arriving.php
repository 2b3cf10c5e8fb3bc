<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

/** What can come in, and what for. Captions become part of the document; all else stays an asset. */
enum Arriving: string
{
    case Picture = 'picture';
    case Voice = 'voice';
    case Music = 'music';
    case Captions = 'captions';

    /** Bytes that one may have. */
    public function mostBytes(): int
    {
        return match ($this) {
            self::Picture => 60_000_000,
            self::Voice, self::Music => 1_000_000_000,
            self::Captions => 4_000_000,
        };
    }

    public function tooLarge(): string
    {
        return \sprintf('This file is larger than %d MB. Save a smaller copy and bring that in.', intdiv($this->mostBytes(), 1_000_000));
    }
}
