<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Voice;

/**
 * Finds the pauses of a voice, from its levels: stretches within the voice that stay under the threshold that tells voice
 * from quiet.
 */
final class Pauses
{
    /**
     * @param list<float> $levels RMS in dBFS for each 10 ms
     * @param int         $from   the voice's first sample
     * @param int         $to     the one after its last
     *
     * @return list<array{int, int}> samples from and to (exclusive)
     */
    public static function of(array $levels, int $from, int $to): array
    {
        $threshold = VoiceActivity::threshold($levels);
        if (null === $threshold) {
            return [];
        }
        $pauses = [];
        $begun = null;
        $last = min(\count($levels), intdiv($to, Trim::WINDOW));
        for ($i = intdiv($from, Trim::WINDOW); $i <= $last; ++$i) {
            $quiet = $i < $last && $levels[$i] <= $threshold;
            if ($quiet) {
                $begun ??= $i;
            } elseif (null !== $begun) {
                if ($i - $begun >= intdiv(Voice::SHORTEST_PAUSE, Trim::WINDOW)) {
                    $pauses[] = [max($from, $begun * Trim::WINDOW), min($to, $i * Trim::WINDOW)];
                }
                $begun = null;
            }
        }

        return array_values(array_filter($pauses, static fn(array $pause): bool => $pause[1] > $pause[0]));
    }
}
