<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Timing\Rate;

/**
 * Where somebody began a sentence again: what follows a pause sounds like what was said from an earlier pause on. Two stretches are
 * compared by dynamic time warping (Sakoe and Chiba, 1978), since nobody says a thing twice equally fast.
 */
final class Repeats
{
    /** How unlike two stretches may be, where 1 is about what two different ones are (proved on synthesized voices in the tests). */
    private const ALIKE = 0.8;
    /** Seconds: a pause after which somebody may have begun again; how long they go back; of what is compared, at least and at most. */
    private const PAUSE = 0.15;
    private const BACK = 15.0;
    private const LEAST = 0.4;
    private const MOST = 1.5;
    /** How much slower or faster it may be said again, and by how many moments it may begin sooner or later. */
    private const PACE = 1.6;
    private const SLACK = 4;

    /**
     * @param list<array{int, int}> $pauses samples at 48 kHz, from and to (exclusive), in order
     * @param int                   $from   the voice's first sample
     *
     * @return list<array{int, int}> what was said and then again, in order: the samples from which it was first said to those from
     *                               which it is said again
     */
    public static function of(Cepstra $cepstra, array $pauses, int $from): array
    {
        $moment = static fn(int $sample): int => (int) round($sample * Cepstra::MOMENTS / Rate::SAMPLES);
        // Where somebody begins to speak, and where they had stopped before that.
        $begins = [[$from, $from]];
        foreach ($pauses as [$quiet, $speaks]) {
            if ($speaks - $quiet >= Rate::samples(self::PAUSE)) {
                $begins[] = [$speaks, $quiet];
            }
        }
        $found = [];
        $free = 0;
        foreach ($begins as $i => [$first]) {
            foreach (\array_slice($begins, $i + 1) as [$again, $stopped]) {
                if ($first < $free || $again - $first > Rate::samples(self::BACK)) {
                    break;
                }
                $length = min($moment($stopped) - $moment($first), (int) (self::MOST * Cepstra::MOMENTS));
                if ($length >= self::LEAST * Cepstra::MOMENTS
                    && self::unlike($cepstra->moments, $moment($first), $moment($again), $length) < self::ALIKE) {
                    $found[] = [$first, $again];
                    $free = $again;
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * @param list<list<float>> $moments
     *
     * @return float how unlike what is said from one moment on is to what is said from another on, for each moment of the first
     */
    private static function unlike(array $moments, int $first, int $again, int $length): float
    {
        $there = min(\count($moments) - $again, (int) ($length * self::PACE) + self::SLACK);
        if ($first + $length > \count($moments) || $there < $length / self::PACE) {
            return \INF;
        }
        $before = [];
        for ($i = 0; $i < $length; ++$i) {
            $sums = [];
            $low = max(0, (int) ($i / self::PACE) - self::SLACK);
            $high = min($there - 1, (int) ($i * self::PACE) + self::SLACK);
            for ($j = $low; $j <= $high; ++$j) {
                $come = 0 === $i ? 0.0 : min(
                    $before[$j - 1] ?? \INF,
                    $before[$j] ?? \INF,
                    $sums[$j - 1] ?? \INF,
                );
                $sums[$j] = $come + self::apart($moments[$first + $i], $moments[$again + $j]);
            }
            $before = $sums;
        }

        return [] === $before ? \INF : min($before) / $length;
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function apart(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $q => $value) {
            $sum += ($value - $b[$q]) ** 2;
        }

        return sqrt($sum / max(1, \count($a)));
    }
}
