<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/**
 * Noises of a mouth: clicks of lips and tongue that stand alone in the quiet, shorter than any sound of speech. One near a word is
 * left alone: a t at its end sounds like that. (Figures are common practice in speech editing.)
 */
final class Clicks
{
    /** Decibels over the quiet around it. */
    private const OVER = 12.0;
    /** What is under that nobody hears. dBFS. */
    private const UNHEARD = -52.0;
    /** Tens of milliseconds: of itself at most, and to a word. */
    private const MOST = 3;
    private const AWAY = 20;

    /**
     * @param list<float>           $peaks  in dBFS for each 10 ms
     * @param list<array{int, int}> $pauses where nobody speaks, samples from and to (exclusive), in order
     *
     * @return list<array{int, int}> samples from and to (exclusive), in order
     */
    public static function of(array $peaks, array $pauses): array
    {
        $found = [];
        foreach (self::joined($pauses) as [$quiet, $speaks]) {
            $from = intdiv($quiet, Trim::WINDOW) + self::AWAY;
            $to = min(\count($peaks), intdiv($speaks, Trim::WINDOW) - self::AWAY);
            if ($to - $from <= self::MOST) {
                continue;
            }
            $sorted = $around = \array_slice($peaks, $from, $to - $from);
            sort($sorted);
            $least = max(self::UNHEARD, $sorted[intdiv(\count($sorted), 2)] + self::OVER);
            $begun = null;
            foreach ([...$around, -200.0] as $i => $peak) {
                if ($peak >= $least) {
                    $begun ??= $i;
                } elseif (null !== $begun) {
                    // One that the quiet does not begin and end with is the edge of something else.
                    if ($i - $begun <= self::MOST && $begun > 0 && $i < \count($around)) {
                        $found[] = [($from + $begun) * Trim::WINDOW, ($from + $i) * Trim::WINDOW];
                    }
                    $begun = null;
                }
            }
        }

        return $found;
    }

    /**
     * Pauses between which there is nothing but what may be a click are one.
     *
     * @param list<array{int, int}> $pauses
     *
     * @return list<array{int, int}>
     */
    private static function joined(array $pauses): array
    {
        $joined = [];
        $open = null;
        foreach ($pauses as [$from, $to]) {
            if (null !== $open && $from - $open[1] <= self::MOST * Trim::WINDOW) {
                $from = $open[0];
            } elseif (null !== $open) {
                $joined[] = $open;
            }
            $open = [$from, $to];
        }

        return null === $open ? [] : [...$joined, $open];
    }
}
