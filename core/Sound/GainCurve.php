<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/** The gain of a sound that fades, and gives way to the voices. */
final class GainCurve
{
    /** Points for each curve; between them the gain goes in straight lines. */
    private const STEPS = 12;

    /**
     * @param int                         $at     sample of the film from which on it is heard
     * @param int                         $end    exclusive
     * @param float                       $open   decibels where nobody speaks
     * @param float                       $ducked decibels under a voice
     * @param list<array{int, int, bool}> $fades  from, to, whether up
     * @param Ducking|null                $ducking null for one that gives way to nobody
     *
     * @return non-empty-list<array{int, float}> by sample, as in Play
     */
    public static function points(int $at, int $end, float $open, float $ducked, array $fades, ?Ducking $ducking): array
    {
        $points = [];
        foreach (self::moments($at, $end, $fades, $ducking) as $moment) {
            $gain = Loudness::factor($open + ($ducked - $open) * ($ducking?->at($moment) ?? 0.0));
            foreach ($fades as [$from, $to, $up]) {
                if ($to > $from) {
                    $share = max(0.0, min(1.0, ($moment - $from) / ($to - $from)));
                    // Sine and cosine: two that cross keep the same power (common practice).
                    $gain *= $up ? sin($share * \M_PI_2) : cos($share * \M_PI_2);
                }
            }
            $points[] = [$moment, max(0.0, round($gain, 6))];
        }

        return $points;
    }

    /**
     * @param list<array{int, int, bool}> $fades
     *
     * @return non-empty-list<int> in order
     */
    private static function moments(int $at, int $end, array $fades, ?Ducking $ducking): array
    {
        $moments = [$at => true, $end => true];
        $curves = array_map(static fn(array $fade): array => [$fade[0], $fade[1]], $fades);
        foreach ([...$curves, ...($ducking?->ramps() ?? [])] as [$from, $to]) {
            for ($i = 0; $i <= self::STEPS; ++$i) {
                $moment = $from + intdiv(($to - $from) * $i, self::STEPS);
                if ($moment > $at && $moment < $end) {
                    $moments[$moment] = true;
                }
            }
        }
        ksort($moments);

        return array_keys($moments);
    }
}
