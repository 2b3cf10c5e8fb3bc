<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pointing;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/**
 * How a hand moved a pointer, as it was noted down, made into what is seen: without its trembling, and with as few points as show
 * the same. It is smoothed forwards and backwards alike, so that nothing comes late (a Gaussian kernel; common practice where all
 * of a signal is known).
 */
final class Hand
{
    /** Milliseconds between the places that are looked at, and the width of the kernel (one standard deviation). */
    private const STEP = 20;
    private const WIDTH = 70;
    /** Milliseconds without a new place after which the hand has rested, and over which it then begins to move. */
    private const RESTS = 120;
    private const STARTS = 40;
    /** Share of the picture by which a place may be off where a point is left out: some three pixels. */
    private const OFF = 0.0025;

    /** @return list<Stroke> what can be read of it, ready to be kept: a recording is not refused for how somebody pointed */
    public static function read(Fields $in, string $key): array
    {
        $strokes = [];
        $points = 0;
        $found = $in->raw($key);
        foreach (\is_array($found) ? \array_slice($found, 0, Limits::STROKES) : [] as $stroke) {
            try {
                $read = Stroke::read(Fields::of($stroke));
            } catch (Malformed) {
                continue;
            }
            $points += \count($read->points);
            if ($points > Limits::POINTS) {
                break;
            }
            $strokes[] = self::steady($read);
        }
        usort($strokes, static fn(Stroke $a, Stroke $b): int => $a->from() <=> $b->from());

        return $strokes;
    }

    public static function steady(Stroke $stroke): Stroke
    {
        $points = self::fewer(self::smooth(self::rested($stroke)));

        return [] === $points ? $stroke : new Stroke($stroke->form, $stroke->over, $points);
    }

    /** Where nothing was noted it stood still, until shortly before the next. */
    private static function rested(Stroke $stroke): Stroke
    {
        $points = [];
        $before = $stroke->points[0];
        foreach ($stroke->points as $point) {
            if ($point[0] - $before[0] > self::RESTS) {
                $points[] = [$point[0] - self::STARTS, $before[1], $before[2]];
            }
            $points[] = $before = $point;
        }

        return new Stroke($stroke->form, $stroke->over, $points);
    }

    /** @return list<array{int, float, float}> evenly spaced, but for the last */
    private static function smooth(Stroke $stroke): array
    {
        $reach = intdiv(3 * self::WIDTH, self::STEP);
        $weights = array_map(static fn(int $n): float => exp(-0.5 * ($n * self::STEP / self::WIDTH) ** 2), range(-$reach, $reach));
        $all = array_sum($weights);
        [$from, $to] = [$stroke->from(), $stroke->to()];
        $places = self::places($stroke);
        $last = \count($places) - 1;
        $smooth = [];
        for ($i = 0; $i <= $last; ++$i) {
            $x = $y = 0.0;
            foreach ($weights as $n => $weight) {
                // Beyond its ends it is as there.
                $place = $places[max(0, min($last, $i + $n - $reach))];
                $x += $weight * $place[0];
                $y += $weight * $place[1];
            }
            $smooth[] = [min($to, $from + $i * self::STEP), $x / $all, $y / $all];
        }

        return $smooth;
    }

    /** @return list<array{float, float}> where it is at each step, and at its end */
    private static function places(Stroke $stroke): array
    {
        $steps = (int) ceil(($stroke->to() - $stroke->from()) / self::STEP);
        $places = [];
        $n = 0;
        for ($i = 0; $i <= $steps; ++$i) {
            $at = min($stroke->to(), $stroke->from() + $i * self::STEP);
            while (isset($stroke->points[$n + 1]) && $stroke->points[$n + 1][0] <= $at) {
                ++$n;
            }
            $before = $stroke->points[$n];
            $after = $stroke->points[$n + 1] ?? $before;
            $share = $after[0] === $before[0] ? 0.0 : ($at - $before[0]) / ($after[0] - $before[0]);
            $places[] = [$before[1] + ($after[1] - $before[1]) * $share, $before[2] + ($after[2] - $before[2]) * $share];
        }

        return $places;
    }

    /**
     * Ramer, Douglas and Peucker's way of leaving points out, by where the pointer would be at the same moment.
     *
     * @param list<array{int, float, float}> $points the first and the last stay
     *
     * @return list<array{int, float, float}>
     */
    private static function fewer(array $points): array
    {
        $last = \count($points) - 1;
        $kept = [0 => true, $last => true];
        $open = [[0, $last]];
        while ([] !== $open) {
            [$from, $to] = array_pop($open);
            [$a, $b] = [$points[$from], $points[$to]];
            [$far, $off] = [null, self::OFF];
            for ($i = $from + 1; $i < $to; ++$i) {
                $share = ($points[$i][0] - $a[0]) / ($b[0] - $a[0]);
                $away = hypot($points[$i][1] - $a[1] - ($b[1] - $a[1]) * $share, $points[$i][2] - $a[2] - ($b[2] - $a[2]) * $share);
                [$far, $off] = $away > $off ? [$i, $away] : [$far, $off];
            }
            if (null !== $far) {
                $kept[$far] = true;
                array_push($open, [$from, $far], [$far, $to]);
            }
        }
        ksort($kept);
        $round = static fn(int $i): array => [$points[$i][0], round($points[$i][1], 4), round($points[$i][2], 4)];

        return array_map($round, array_keys($kept));
    }
}
