<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Words\Unit;

/**
 * When each unit of a script is said. The pauses found in the voice are matched to the places between units by dynamic
 * programming: a long pause likes the end of a sentence, a short one a comma, and the units between two matched pauses like
 * to take as long as their letters do at the voice's own pace. Between matched pauses time is shared out by weight.
 */
final class Alignment
{
    /** What a match or a miss costs, as negative logarithms of how unlikely it is (proved on synthesized speech in the tests). */
    private const PAUSE_AT = [Unit::WORD => 3.2, Unit::CLAUSE => 0.4, Unit::SENTENCE => 0.0, Unit::TURN => 0.0];
    private const NO_PAUSE_AT = [Unit::WORD => 0.0, Unit::CLAUSE => 0.8, Unit::SENTENCE => 3.5, Unit::TURN => 3.5];
    /** Nobody speaks on where somebody else stopped in the middle of a sentence. */
    private const TURN_AT = [Unit::WORD => 9.0, Unit::CLAUSE => 4.0, Unit::SENTENCE => 0.0, Unit::TURN => 0.0];
    private const TURN_PASSED = 12.0;
    /** Each speaks at a pace of their own: how far a turn may lie from where it should be, compared with a pause. */
    private const TURN_FAR = 4.0;
    private const TURN_APART = 0.2;
    /** A pause that is no place between units: the closure of a consonant. */
    private const STRAY = 1.6;
    private const STRAY_EACH_SECOND = 14.0;
    /** Seconds from here on a pause is a long one. */
    private const LONG = 0.25;
    /** Variance of spoken time for each second of it, seconds. */
    private const VARIANCE = 0.035;
    /** How many pauses in a row may be strays. */
    private const REACH = 5;

    /**
     * @param list<Unit>                $units
     * @param float                     $length of the voice, seconds
     * @param list<array{float, float}> $pauses seconds from the voice's beginning: from and to, in order, within it
     * @param list<int>                 $turns  which of the pauses are those at which somebody else begins to speak
     *
     * @return list<array{float, float}> seconds from the voice's beginning: for each unit from and to
     */
    public static function of(array $units, float $length, array $pauses, array $turns = []): array
    {
        $spoken = $length;
        $at = [];
        foreach ($pauses as [$from, $to]) {
            // Where each pause lies on a clock that runs only while somebody speaks.
            $at[] = $from - ($length - $spoken);
            $spoken -= $to - $from;
        }
        $weights = array_sum(array_map(static fn(Unit $unit): float => $unit->weight, $units));
        $expected = [];
        $sum = 0.0;
        foreach ($units as $unit) {
            $sum += $unit->weight;
            $expected[] = $spoken * $sum / max(0.001, $weights);
        }

        return self::times($units, $expected, $at, $pauses, self::matched($units, $expected, $at, $pauses, $turns, $spoken), $spoken, $length);
    }

    /**
     * @param list<Unit>                $units
     * @param list<float>               $expected where each unit should end on the speaking clock
     * @param list<float>               $at       where each pause lies on it
     * @param list<array{float, float}> $pauses
     * @param list<int>                 $turns those of them at which somebody else begins to speak
     *
     * @return array<int, int> the unit that ends at a pause, by pause
     */
    private static function matched(array $units, array $expected, array $at, array $pauses, array $turns, float $spoken): array
    {
        $last = \count($units) - 1;
        // What it costs to pass over units and pauses, summed up to each.
        $passedUnits = $passedPauses = [0.0];
        foreach ($units as $i => $unit) {
            $passedUnits[] = $passedUnits[$i] + self::NO_PAUSE_AT[$unit->break];
        }
        foreach ($pauses as $i => [$from, $to]) {
            $passedPauses[] = $passedPauses[$i] + self::STRAY + self::STRAY_EACH_SECOND * max(0.0, $to - $from - 0.15)
                + (\in_array($i, $turns, true) ? self::TURN_PASSED : 0.0);
        }
        /** @var list<array<int, array{float, int, int}>> $best for each pause, by unit: cost, and the pause and unit matched before */
        $best = [];
        foreach ($pauses as $p => [$from, $to]) {
            $best[$p] = [];
            $long = $to - $from >= self::LONG;
            $isTurn = \in_array($p, $turns, true);
            foreach (self::candidates($units, $expected, $at[$p], $spoken, $isTurn ? self::TURN_FAR : 1.0) as $u) {
                $own = self::PAUSE_AT[$units[$u]->break];
                if ($isTurn) {
                    $own = self::TURN_AT[$units[$u]->break];
                } elseif ($long && Unit::WORD === $units[$u]->break) {
                    $own += 1.0;
                } elseif (!$long && Unit::SENTENCE === $units[$u]->break) {
                    $own += 1.2;
                }
                $share = $isTurn ? self::TURN_APART : 1.0;
                $cheapest = [$share * self::apart($at[$p], $expected[$u]) + $passedUnits[$u] + $passedPauses[$p], -1, -1];
                for ($q = $p - 1; $q >= 0 && $q >= $p - self::REACH; --$q) {
                    $between = $at[$p] - $at[$q];
                    $passed = $passedUnits[$u] + $passedPauses[$p] - $passedPauses[$q + 1];
                    foreach ($best[$q] as $v => [$cost]) {
                        if ($v >= $u) {
                            break;
                        }
                        $cost += $passed - $passedUnits[$v + 1];
                        if ($cost < $cheapest[0]) {
                            $loose = $isTurn || \in_array($q, $turns, true) ? self::TURN_APART : 1.0;
                            $cost += $loose * self::apart($between, $expected[$u] - $expected[$v]);
                            if ($cost < $cheapest[0]) {
                                $cheapest = [$cost, $q, $v];
                            }
                        }
                    }
                }
                $best[$p][$u] = [$cheapest[0] + $own, $cheapest[1], $cheapest[2]];
            }
        }
        $count = \count($pauses);
        $cheapest = [$passedUnits[$last] + $passedPauses[$count], -1, -1];
        for ($q = $count - 1; $q >= 0; --$q) {
            foreach ($best[$q] as $v => [$cost]) {
                $loose = \in_array($q, $turns, true) ? self::TURN_APART : 1.0;
                $cost += $loose * self::apart($spoken - $at[$q], $expected[$last] - $expected[$v])
                    + $passedUnits[$last] - $passedUnits[$v + 1] + $passedPauses[$count] - $passedPauses[$q + 1];
                if ($cost < $cheapest[0]) {
                    $cheapest = [$cost, $q, $v];
                }
            }
        }
        $matched = [];
        for ([, $q, $v] = $cheapest; $q >= 0; [, $q, $v] = $best[$q][$v]) {
            $matched[$q] = $v;
        }

        return array_reverse($matched, true);
    }

    /**
     * @param list<Unit>  $units
     * @param list<float> $expected
     * @param float       $wide     how much further than usual an end of a sentence may lie
     *
     * @return list<int> the units that may end at a pause: ends of sentences and clauses some way about it, and any close by
     */
    private static function candidates(array $units, array $expected, float $at, float $spoken, float $wide = 1.0): array
    {
        $far = $wide * (1.2 + 0.12 * min($at, $spoken - $at));
        $near = 0.45 + 0.04 * min($at, $spoken - $at);
        $low = 0;
        $high = \count($units) - 1;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($expected[$middle] < $at - $far) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }
        $found = [];
        for ($u = $low; $u < \count($units) - 1 && $expected[$u] <= $at + $far; ++$u) {
            if (Unit::WORD !== $units[$u]->break || abs($expected[$u] - $at) <= $near) {
                $found[] = $u;
            }
        }

        return $found;
    }

    private static function apart(float $spoken, float $expected): float
    {
        $difference = $spoken - $expected;

        return $difference * $difference / (2 * self::VARIANCE * ($expected + 0.3));
    }

    /**
     * @param list<Unit>                $units
     * @param list<float>               $expected
     * @param list<float>               $at
     * @param list<array{float, float}> $pauses
     * @param array<int, int>           $matched
     *
     * @return list<array{float, float}>
     */
    private static function times(
        array $units,
        array $expected,
        array $at,
        array $pauses,
        array $matched,
        float $spoken,
        float $length,
    ): array {
        // Real time: the speaking clock and every pause before it.
        $passed = 0;
        $paused = 0.0;
        $real = static function (float $clock, int $within) use (&$passed, &$paused, $at, $pauses): float {
            while ($passed < $within && $at[$passed] < $clock - 1e-9) {
                $paused += $pauses[$passed][1] - $pauses[$passed][0];
                ++$passed;
            }

            return $clock + $paused;
        };
        $anchors = [];
        foreach ($matched as $p => $u) {
            $anchors[] = [$p, $u];
        }
        $anchors[] = [\count($pauses), \count($units) - 1];
        $times = [];
        $next = 0;
        $clock = $told = 0.0;
        foreach ($anchors as [$p, $u]) {
            $end = $at[$p] ?? $spoken;
            $scale = ($end - $clock) / max(0.001, $expected[$u] - $told);
            for (; $next <= $u; ++$next) {
                $from = 0 === $next ? 0.0 : $real($clock + ($expected[$next - 1] - $told) * $scale, $p);
                $times[] = [
                    $from,
                    $next === $u && $next === \count($units) - 1 ? $length : $real($clock + ($expected[$next] - $told) * $scale, $p),
                ];
            }
            $real(\INF, $p + 1 > \count($pauses) ? \count($pauses) : $p + 1);
            $clock = $end;
            $told = $expected[$u];
        }

        return $times;
    }
}
