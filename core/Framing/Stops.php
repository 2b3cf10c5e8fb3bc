<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Geometry\Frame;

/** The way of the look from stop to stop. */
final class Stops
{
    /** Seconds that the shortest way from stop to stop takes: a look that is there at once is a cut. */
    private const LEAST_WAY = 1.0;

    /**
     * The look is at each stop at its moment, and rests there for as long as there is time: it leaves for the next so that the
     * way takes no longer than it needs to be calm.
     *
     * @param list<array{float, Frame}> $stops the second at which each is reached, in any order
     */
    public static function way(array $stops, Frame $opensOn, Frame $closesOn, float $seconds): Move
    {
        if ([] === $stops || $seconds <= 0) {
            return Move::between($opensOn, $closesOn);
        }
        $stops = array_map(static fn(array $stop): array => [max(0.0, min($seconds, $stop[0])), $stop[1]], $stops);
        usort($stops, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $points = [[0.0, $opensOn]];
        [$left, $before] = [0.0, $opensOn];
        foreach ([...$stops, [$seconds, $closesOn]] as [$at, $frame]) {
            $leaves = $at - max(self::LEAST_WAY, Comfort::calmSeconds($before, $frame));
            if ($leaves > $left) {
                $points[] = [$leaves / $seconds, $before];
            }
            $points[] = [$at / $seconds, $frame];
            [$left, $before] = [$at, $frame];
        }

        return Move::along($points);
    }
}
