<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/**
 * Finds where the voice begins and ends in a recording, from its levels.
 *
 * The voice is what stands well above the recording's own quiet: the threshold lies 10 dB over the noise floor (the level
 * that a tenth of the recording stays under), or half way to the loudest part in a noisy room, and no lower than -60 dB.
 * Where hardly anything stands out, nothing is trimmed.
 * A click shorter than 60 ms is not a voice. A margin is kept on both sides for breath and final consonants.
 * (Thresholds are common practice in speech editing, proved on the sample recordings in the tests.)
 */
final class Trim
{
    /** Levels are RMS in dBFS over windows of 10 ms. */
    public const WINDOW = 480;
    private const OVER_FLOOR = 10.0;
    private const LEAST_RANGE = 12.0;
    private const LOWEST = -60.0;
    private const LEAST_WINDOWS = 6;
    private const MARGIN_BEFORE = 8;
    private const MARGIN_AFTER = 15;

    /**
     * @param list<float> $levels one for each 10 ms
     *
     * @return array{int, int} samples from and to (exclusive), from < to; all of it where no voice stands out
     */
    public static function voice(array $levels, int $samples): array
    {
        $loudest = [] === $levels ? -200.0 : max($levels);
        if ($loudest < self::LOWEST) {
            return [0, $samples];
        }
        $sorted = $levels;
        sort($sorted);
        $floor = $sorted[intdiv(\count($sorted), 10)];
        if ($loudest - $floor < self::LEAST_RANGE) {
            return [0, $samples];
        }
        $threshold = max(self::LOWEST, $floor + min(self::OVER_FLOOR, ($loudest - $floor) / 2));
        $loud = array_map(static fn(float $level): bool => $level > $threshold, $levels);
        $first = self::firstRun($loud);
        if (null === $first) {
            return [0, $samples];
        }
        $last = \count($loud) - 1 - (self::firstRun(array_reverse($loud)) ?? 0);
        $from = max(0, ($first - self::MARGIN_BEFORE) * self::WINDOW);
        $to = min($samples, ($last + 1 + self::MARGIN_AFTER) * self::WINDOW);

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
