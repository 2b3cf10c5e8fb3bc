<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Document\Limits;

/** What is said of a moment of a film: words, a voice, or both. */
final class Saying
{
    /**
     * @param float|null $spoken seconds of a voice, null where there is none
     *
     * @return HandInRefusal|null null where it can be said
     */
    public static function refusal(string $words, ?float $spoken): ?HandInRefusal
    {
        return match (true) {
            null === $spoken && '' === $words => HandInRefusal::NothingSaid,
            null !== $spoken && $spoken > Limits::SPOKEN => HandInRefusal::SpokenTooLong,
            default => null,
        };
    }
}
