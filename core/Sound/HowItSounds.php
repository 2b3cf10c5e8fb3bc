<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Voice;

/** What is wrong with the sound of a take, if anything is. */
enum HowItSounds: string
{
    case Silent = 'silent';
    case TooQuiet = 'too-quiet';
    case Clipped = 'clipped';
    case Noisy = 'noisy';

    /** Decibels that the quiet should lie under the voice; with less, the noise is heard in every pause (common practice: 30 and more). */
    public const LEAST_DISTANCE = 25.0;

    /** @return list<self> the worst first */
    public static function of(Voice $take): array
    {
        return array_values(array_filter([
            null === $take->loudness ? self::Silent : null,
            null !== $take->loudness && $take->loudness < Loudness::TOO_QUIET ? self::TooQuiet : null,
            $take->clipped || $take->peak >= Loudness::CLIPPED ? self::Clipped : null,
            null !== $take->noise && $take->noise < self::LEAST_DISTANCE ? self::Noisy : null,
        ]));
    }
}
