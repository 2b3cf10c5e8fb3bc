<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Document\Limits;

/**
 * What tells a voice from the quiet around it, from a recording's own levels (RMS in dBFS for each 10 ms).
 *
 * The voice is what stands well above the recording's own quiet: the threshold lies 10 dB over the noise floor (the level
 * that a tenth of the recording stays under), or half way to the loudest part in a noisy room, and no lower than -60 dB.
 * (Thresholds are common practice in speech editing, proved on the sample recordings in the tests.)
 */
final class VoiceActivity
{
    private const LEAST_RANGE = 12.0;
    /** A recording is clipped when this share of its loud windows reach the very same level. */
    private const CLIPPED_SHARE = 0.06;
    private const CLIPPED_LEAST = 5;

    /** @param list<float> $levels */
    public static function floor(array $levels): float
    {
        $sorted = $levels;
        sort($sorted);

        return $sorted[intdiv(\count($sorted), 10)] ?? -200.0;
    }

    /**
     * @param list<float> $levels
     *
     * @return float|null null where hardly anything stands out
     */
    public static function threshold(array $levels): ?float
    {
        $loudest = max([-200.0, ...$levels]);
        $floor = self::floor($levels);
        if ($loudest < Limits::SILENT || $loudest - $floor < self::LEAST_RANGE) {
            return null;
        }

        return max(Limits::SILENT, $floor + min(Limits::OVER_QUIET, ($loudest - $floor) / 2));
    }

    /**
     * How loud the voice is: the mean power of the windows over the threshold. Null where hardly anything stands out.
     *
     * @param list<float> $levels
     */
    public static function voice(array $levels): ?float
    {
        $threshold = self::threshold($levels);
        $voice = null === $threshold ? [] : array_filter($levels, static fn(float $level): bool => $level > $threshold);

        return [] === $voice ? null : self::mean($voice);
    }

    /**
     * How many decibels the quiet lies under the voice: the mean power of the windows over the threshold against that of
     * those under it. Null where there is no quiet to be heard.
     *
     * @param list<float> $levels
     */
    public static function noise(array $levels): ?float
    {
        $threshold = self::threshold($levels);
        if (null === $threshold) {
            return null;
        }
        $voice = array_filter($levels, static fn(float $level): bool => $level > $threshold);
        $quiet = array_filter($levels, static fn(float $level): bool => $level <= $threshold);
        if ([] === $voice || \count($quiet) < 10) {
            return null;
        }

        return round(self::mean($voice) - self::mean($quiet), 1);
    }

    /**
     * Whether the recording was made louder than the microphone could take: a voice reaches its very highest level now and
     * then; one cut off at a ceiling reaches it again and again, at whatever level that ceiling lies.
     *
     * @param list<float> $peaks in dBFS for each 10 ms
     */
    public static function isClipped(array $peaks): bool
    {
        $ceiling = max([-200.0, ...$peaks]);
        $loud = \count(array_filter($peaks, static fn(float $peak): bool => $peak > $ceiling - 6));
        $cut = \count(array_filter($peaks, static fn(float $peak): bool => $peak > $ceiling - 0.1));

        return $ceiling > -30 && $cut >= self::CLIPPED_LEAST && $cut >= self::CLIPPED_SHARE * $loud;
    }

    /** @param non-empty-array<float> $levels dB of the mean power */
    private static function mean(array $levels): float
    {
        return 10 * log10(
            max(1e-20, array_sum(array_map(static fn(float $level): float => 10 ** ($level / 10), $levels)) / \count($levels)),
        );
    }
}
