<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/**
 * Where one long recording for a whole story may be cut: at as many of its pauses as there are slides less one, so that the
 * parts are as long as the slides' scripts make one expect, and long pauses are preferred (dynamic programming).
 */
final class Splitter
{
    /** Variance of a part's length, for each second of it. */
    private const VARIANCE = 0.25;
    /** What a second of pause is worth; more than two are no clearer a sign than two. */
    private const PER_SECOND = 6.0;
    private const LONGEST = 2.0;

    /**
     * @param float                     $from    second where the voice begins
     * @param float                     $to      second where it ends
     * @param list<array{float, float}> $pauses  seconds from and to, in order, between these
     * @param list<float>               $weights of the slides' scripts, more than 0 (all the same where there are none)
     *
     * @return list<SplitPoint>|null one less than there are weights; null where the recording has too few pauses
     */
    public static function points(float $from, float $to, array $pauses, array $weights): ?array
    {
        $cuts = \count($weights) - 1;
        $count = \count($pauses);
        if ($cuts < 1 || $count < $cuts) {
            return $cuts < 1 ? [] : null;
        }
        $spoken = $to - $from - array_sum(array_map(static fn(array $pause): float => $pause[1] - $pause[0], $pauses));
        $expected = array_map(static fn(float $weight): float => $spoken * $weight / array_sum($weights), $weights);
        // The speaking clock: what a part's length is measured by, since some rest longer between sentences than others.
        $at = [];
        $rested = 0.0;
        foreach ($pauses as [$begin, $end]) {
            $at[] = $begin - $from - $rested;
            $rested += $end - $begin;
        }
        $apart = static fn(float $length, float $wanted): float => ($length - $wanted) ** 2 / (2 * self::VARIANCE * ($wanted + 0.5));
        $worth = array_map(static fn(array $pause): float => self::PER_SECOND * min(self::LONGEST, $pause[1] - $pause[0]), $pauses);
        // What the parts before a cut cost at least, and those behind it.
        $before = $behind = array_fill(0, $cuts, array_fill(0, $count, \INF));
        for ($k = 0; $k < $cuts; ++$k) {
            for ($p = $k; $p < $count; ++$p) {
                $least = 0 === $k ? $apart($at[$p], $expected[0]) : \INF;
                for ($q = $k - 1; $k > 0 && $q < $p; ++$q) {
                    $least = min($least, $before[$k - 1][$q] + $apart($at[$p] - $at[$q], $expected[$k]));
                }
                $before[$k][$p] = $least - $worth[$p];
            }
        }
        for ($k = $cuts - 1; $k >= 0; --$k) {
            for ($p = $count - 1; $p >= 0; --$p) {
                $least = $cuts - 1 === $k ? $apart($spoken - $at[$p], $expected[$cuts]) : \INF;
                for ($q = $p + 1; $k < $cuts - 1 && $q < $count; ++$q) {
                    $least = min($least, $behind[$k + 1][$q] - $worth[$q] + $apart($at[$q] - $at[$p], $expected[$k + 1]));
                }
                $behind[$k][$p] = $least;
            }
        }

        return array_map(static function (int $k) use ($before, $behind, $pauses): SplitPoint {
            $costs = array_map(static fn(float $a, float $b): float => $a + $b, $before[$k], $behind[$k]);
            asort($costs);
            [$best, $second] = array_values($costs) + [1 => \INF];
            $pause = $pauses[(int) array_key_first($costs)];

            // How much worse the next best place would be, as a chance.
            return new SplitPoint(($pause[0] + $pause[1]) / 2, $pause[1] - $pause[0], round(1 / (1 + exp($best - $second)), 3));
        }, range(0, $cuts - 1));
    }
}
