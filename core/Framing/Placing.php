<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Geometry\Frame;

/** Where along a side of a picture a window lies that shows what matters. */
final class Placing
{
    /** A head is more than the face that is found in it: so much of its height above and below, and of its width beside it. */
    private const ABOVE = 0.4;
    private const BELOW = 0.15;
    private const BESIDE = 0.15;
    /** What stands out must be so much better shown than where the window lies usually, or it stays there. */
    private const WORTH = 1.03;
    /** How little the edge of the window counts: what stands out is seen well away from it. */
    private const EDGE = 0.35;
    private const STEPS = 32;

    /** @return list<Frame> */
    public static function heads(Matters $matters): array
    {
        return array_map(static function (Frame $face): Frame {
            $left = max(0.0, $face->x - self::BESIDE * $face->width);
            $top = max(0.0, $face->y - self::ABOVE * $face->height);

            return new Frame(
                $left,
                $top,
                min(1.0, $face->x + (1 + self::BESIDE) * $face->width) - $left,
                min(1.0, $face->y + (1 + self::BELOW) * $face->height) - $top,
            );
        }, $matters->faces);
    }

    /**
     * Where a window may begin so that all heads are in it.
     *
     * @param list<array{float, float}> $heads  from and to, along the side
     * @param float                     $length of the window, in shares of the side
     *
     * @return array{float, float}|null from and to; null where they do not fit
     */
    public static function room(array $heads, float $length): ?array
    {
        $from = max([0.0, ...array_map(static fn(array $head): float => $head[1] - $length, $heads)]);
        $to = min([1 - $length, ...array_column($heads, 0)]);

        return $from <= $to + 1e-9 ? [min($from, $to), $to] : null;
    }

    /**
     * Where a window begins best.
     *
     * @param list<array{float, float}> $heads
     * @param list<int>                 $figures how much the picture stands out along the side
     * @param float                     $usual   where it begins where nothing matters
     * @param float                     $lies    at what share of the window the middle of all heads lies best
     */
    public static function at(array $heads, array $figures, float $length, float $usual, float $lies): float
    {
        if ([] === $heads) {
            return self::standing($figures, $length, $usual);
        }
        $middle = (min(array_column($heads, 0)) + max(array_column($heads, 1))) / 2;
        $wanted = max(0.0, min(1 - $length, $middle - $lies * $length));
        $room = self::room($heads, $length);
        if (null !== $room) {
            return max($room[0], min($room[1], $wanted));
        }
        // Not all of them fit: as many and as large ones as there can be, none of them cut.
        $best = [-1.0, $wanted];
        foreach ($heads as [$from, $to]) {
            foreach ([$from, $to - $length, ($from + $to - $length) / 2] as $at) {
                $at = max(0.0, min(1 - $length, $at));
                $seen = -0.001 * abs($at - $wanted);
                foreach ($heads as [$a, $b]) {
                    $isWhole = $a >= $at - 1e-9 && $b <= $at + $length + 1e-9;
                    $isOut = $b <= $at || $a >= $at + $length;
                    $seen += $isWhole ? ($b - $a) ** 2 : ($isOut ? 0.0 : -0.5 * ($b - $a) ** 2);
                }
                $best = $seen > $best[0] ? [$seen, $at] : $best;
            }
        }

        return $best[1];
    }

    /** @param list<int> $figures */
    private static function standing(array $figures, float $length, float $usual): float
    {
        $best = [self::WORTH * self::seen($figures, $usual, $length), $usual];
        for ($i = 0; $i <= self::STEPS; ++$i) {
            $at = (1 - $length) * $i / self::STEPS;
            $seen = self::seen($figures, $at, $length);
            $best = $seen > $best[0] ? [$seen, $at] : $best;
        }

        return $best[1];
    }

    /** @param list<int> $figures */
    private static function seen(array $figures, float $from, float $length): float
    {
        $sum = 0.0;
        $last = min(Matters::PARTS - 1, (int) (Matters::PARTS * ($from + $length) - 1e-9));
        for ($part = (int) (Matters::PARTS * $from); $part <= $last; ++$part) {
            $left = max($from, $part / Matters::PARTS);
            $right = min($from + $length, ($part + 1) / Matters::PARTS);
            $away = ($left + $right - 2 * $from) / $length - 1;
            $sum += $figures[$part] * ($right - $left) * (1 - self::EDGE * $away * $away);
        }

        return $sum;
    }

    /**
     * @param list<Frame> $heads
     *
     * @return list<array{float, float}>
     */
    public static function alongWidth(array $heads): array
    {
        return array_map(static fn(Frame $head): array => [$head->x, $head->x + $head->width], $heads);
    }

    /**
     * @param list<Frame> $heads
     *
     * @return list<array{float, float}>
     */
    public static function alongHeight(array $heads): array
    {
        return array_map(static fn(Frame $head): array => [$head->y, $head->y + $head->height], $heads);
    }
}
