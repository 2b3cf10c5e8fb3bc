<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/**
 * Finds where the voice begins and ends in a recording, from its levels.
 *
 * Voice and quiet are told apart by VoiceActivity; where hardly anything stands out, nothing is trimmed.
 * A click shorter than 60 ms is not a voice. A margin is kept on both sides for breath and final consonants.
 */
final class Trim
{
    /** Levels are RMS in dBFS over windows of 10 ms. */
    public const WINDOW = 480;
    private const LEAST_WINDOWS = 6;
    /** Samples kept before and after the voice. */
    public const BEFORE = 8 * self::WINDOW;
    public const AFTER = 15 * self::WINDOW;

    /**
     * @param list<float> $levels one for each 10 ms
     *
     * @return array{int, int} samples from and to (exclusive), from < to; all of it where no voice stands out
     */
    public static function voice(array $levels, int $samples): array
    {
        $threshold = VoiceActivity::threshold($levels);
        if (null === $threshold) {
            return [0, $samples];
        }
        $loud = array_map(static fn(float $level): bool => $level > $threshold, $levels);
        $first = self::firstRun($loud);
        if (null === $first) {
            return [0, $samples];
        }
        $last = \count($loud) - 1 - (self::firstRun(array_reverse($loud)) ?? 0);
        $from = max(0, $first * self::WINDOW - self::BEFORE);
        $to = min($samples, ($last + 1) * self::WINDOW + self::AFTER);

        return $to > $from ? [$from, $to] : [0, $samples];
    }

    /** @param list<bool> $loud */
    private static function firstRun(array $loud): ?int
    {
        $run = 0;
        foreach ($loud as $index => $is) {
            $run = $is ? $run + 1 : 0;
            if ($run >= self::LEAST_WINDOWS) {
                return $index - self::LEAST_WINDOWS + 1;
            }
        }

        return null;
    }
}
