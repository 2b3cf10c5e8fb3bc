<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Asset\Voice;

/** Everything that was ever spoken for a story, whether it is heard or not. */
final class Takes
{
    /** Whether it was spoken for that slide, or is heard on it. */
    public static function isOf(Voice $voice, Slide $slide): bool
    {
        return null !== $voice->take->for($slide->id)
            || [] !== array_filter($slide->voice, static fn(Span $span): bool => $span->asset === $voice->id);
    }

    /** What a slide would speak with it: what of it was spoken for that slide, or all of it. */
    public static function span(Voice $voice, string $slide): Span
    {
        $part = $voice->take->for($slide);

        return new Span($voice->id, $part->from ?? $voice->from, $part->to ?? $voice->to);
    }
}
