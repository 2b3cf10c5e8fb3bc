<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Voice;

/**
 * Brings every voice to one loudness.
 *
 * Target: integrated -16 LUFS for speech heard on computers and phones (AES TD1008, recommendation for streamed speech,
 * is -18 to -16; EBU R 128's -23 is for broadcast), measured by ITU-R BS.1770-4. True peak at most -1 dBTP (EBU R 128);
 * the mix is limited to -2 dBTP before encoding, since a lossy codec may raise peaks by about 1 dB.
 */
final class Loudness
{
    public const TARGET = -16.0;
    public const TRUE_PEAK = -1.0;
    public const LIMIT = -2.0;
    /**
     * Decibels that a ducked bed's loudest passage (short-term) lies under the voice. WCAG 2.2, 1.4.7 asks for 20; common
     * practice is about 8 % of full level, which is -22 dB.
     */
    public const BED_UNDER_VOICE = 22.0;
    /** More than this lifts the room's noise more than the voice. */
    public const MOST_GAIN = 30.0;
    /** Quieter than this is told to its maker. LUFS. */
    public const TOO_QUIET = -38.0;
    /** True peaks from here on are clipped. dBTP. */
    public const CLIPPED = -0.1;

    /** The gain in dB for a take's voice. */
    public static function gain(Voice $take): float
    {
        return null === $take->loudness ? 0.0 : round(min(self::MOST_GAIN, self::TARGET - $take->loudness), 2);
    }

    public static function factor(float $decibels): float
    {
        return 10 ** ($decibels / 20);
    }
}
