<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** What an assignment may ask a story to have. Whose pictures and music they are is always asked. */
enum Asked: string
{
    /** A slide that opens it. */
    case Title = 'title';
    /** Somebody who speaks on every slide with a picture. */
    case Voice = 'voice';
    /** Words on every picture. */
    case Words = 'words';
    /** A script, and so captions, wherever somebody speaks. */
    case Captions = 'captions';
    /** Of every work of others who made it and its licence. */
    case Sources = 'sources';
    /** Nothing that its licence keeps others from using. */
    case Free = 'free';
    /** Words that stay as long as it takes to read them. */
    case Readable = 'readable';
    /** Voices that are well heard. */
    case Clear = 'clear';

    /** @return list<string> rules of Proof that must be kept where this is asked, and else had better be */
    public function rules(): array
    {
        return match ($this) {
            self::Captions => ['no-script'],
            self::Sources => ['half-source', 'half-music-source'],
            self::Readable => ['too-fast-to-read'],
            self::Clear => ['too-quiet', 'clipped', 'noisy'],
            self::Title, self::Voice, self::Words, self::Free => [],
        };
    }
}
