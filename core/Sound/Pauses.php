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
    /** Tens of milliseconds about a breath or a click in which nothing is said either: without them it is taken for neither. */
    private const EDGE = 3;

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

    /**
     * Where somebody draws breath or a mouth clicks nobody speaks: what lies about it is one pause.
     *
     * @param list<array{int, int}> $pauses
     * @param list<array{int, int}> $beside where something else is heard, samples from and to (exclusive)
     *
     * @return list<array{int, int}> in order
     */
    public static function over(array $pauses, array $beside): array
    {
        $edge = self::EDGE * Trim::WINDOW;
        $all = [...$pauses, ...array_map(static fn(array $one): array => [max(0, $one[0] - $edge), $one[1] + $edge], $beside)];
        sort($all);
        $over = [];
        $open = null;
        foreach ($all as [$from, $to]) {
            if (null !== $open && $from <= $open[1]) {
                $from = $open[0];
                $to = max($open[1], $to);
            } elseif (null !== $open) {
                $over[] = $open;
            }
            $open = [$from, $to];
        }

        return null === $open ? [] : [...$over, $open];
    }
}
