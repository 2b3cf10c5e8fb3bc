<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

/**
 * Decides what part of its picture a slide opens and closes on.
 *
 * The slow default move keeps below speeds that make people feel sick, and is smaller on a slide that stays shorter.
 * The limits are common practice: about 2 % of scale and 3 % of the picture's width a second.
 */
final class Framer
{
    /** The share of a picture that filling the slide may cost before it is shown whole instead. */
    public const MOST_LOST = 0.4;
    private const ZOOM_PER_SECOND = 0.018;
    private const MOST_ZOOM = 0.14;
    private const PAN_PER_SECOND = 0.025;
    /** Below this overhang (share of the picture's side) there is nothing to pan over. */
    private const LEAST_OVERHANG = 0.08;
    /** Seconds that the shortest way from stop to stop takes: a look that is there at once is a cut. */
    private const LEAST_WAY = 1.0;

    /** @param float $ratio width over height of the picture */
    public static function isWhole(Fit $fit, float $ratio, Shape $shape): bool
    {
        return match ($fit) {
            Fit::Whole => true,
            Fit::Fill => false,
            Fit::Auto => self::lostByFilling($ratio, $shape) > self::MOST_LOST,
        };
    }

    /** The share of the picture's area outside the slide when it fills it, 0 to 1. */
    public static function lostByFilling(float $ratio, Shape $shape): float
    {
        $base = self::base($ratio, $shape);

        return 1 - $base->width * $base->height;
    }

    /** The largest frame of the film's shape. An upright crop keeps a little more above than below: heads are there. */
    public static function base(float $ratio, Shape $shape): Frame
    {
        $wider = $shape->ratio() / $ratio;

        return $wider > 1
            ? Frame::about(0.5, 0.5 - (1 - 1 / $wider) * 0.2, 1, 1 / $wider)
            : Frame::about(0.5, 0.5, $wider, 1);
    }

    /**
     * Inward or outward, this way or that follows from the slide's own id: moving a slide changes no other slide's film.
     *
     * @param float        $ratio   width over height of the picture
     * @param float        $seconds how long it is seen, transitions included
     * @param string       $slide   its id
     * @param Moments|null $moments when its stops are reached; without it there are none
     */
    public static function move(
        Fit $fit,
        Framing $framing,
        float $ratio,
        Shape $shape,
        float $seconds,
        string $slide,
        ?Moments $moments = null,
    ): Move {
        if (self::isWhole($fit, $ratio, $shape)) {
            return Move::still(Frame::all());
        }
        $base = self::base($ratio, $shape);
        if (Motion::Set === $framing->motion && null !== $framing->opensOn && null !== $framing->closesOn) {
            $stops = null === $moments ? [] : self::reached($framing->stops, $moments, $base, $seconds);

            return self::by($stops, self::shaped($framing->opensOn, $base), self::shaped($framing->closesOn, $base), $seconds);
        }
        if (Motion::Auto !== $framing->motion) {
            return Move::still($base);
        }

        $turn = crc32($slide);

        return self::pan($base, $seconds, $turn) ?? self::zoom($base, $seconds, $turn);
    }

    /**
     * @param list<Stop> $stops
     *
     * @return list<array{float, Frame}> the second at which each is reached, in that order
     */
    private static function reached(array $stops, Moments $moments, Frame $base, float $seconds): array
    {
        $reached = array_map(
            static fn(Stop $stop): array => [max(0.0, min($seconds, $moments->of($stop))), self::shaped($stop->frame, $base)],
            $stops,
        );
        usort($reached, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return $reached;
    }

    /**
     * The look is at each stop at its moment, and rests there for as long as there is time: it leaves for the next so that the
     * way takes no longer than it needs to be calm.
     *
     * @param list<array{float, Frame}> $stops
     */
    private static function by(array $stops, Frame $opensOn, Frame $closesOn, float $seconds): Move
    {
        if ([] === $stops || $seconds <= 0) {
            return Move::between($opensOn, $closesOn);
        }
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

    /** A frame brought to the film's shape about its centre, whatever shape it was drawn in. */
    private static function shaped(Frame $frame, Frame $base): Frame
    {
        $share = min(1.0, max($frame->width / $base->width, $frame->height / $base->height));

        return Frame::about($frame->x + $frame->width / 2, $frame->y + $frame->height / 2, $base->width * $share, $base->height * $share);
    }

    private static function pan(Frame $base, float $seconds, int $turn): ?Move
    {
        $overX = 1 - $base->width;
        $overY = 1 - $base->height;
        if (max($overX, $overY) < self::LEAST_OVERHANG) {
            return null;
        }
        $reach = min(max($overX, $overY), self::PAN_PER_SECOND * $seconds);
        $half = $reach / 2;
        [$a, $b] = $overX > $overY
            ? [new Frame($overX / 2 - $half, $base->y, $base->width, 1), new Frame($overX / 2 + $half, $base->y, $base->width, 1)]
            : [new Frame($base->x, $overY / 2 + $half, 1, $base->height), new Frame($base->x, $overY / 2 - $half, 1, $base->height)];

        return 0 === $turn % 2 ? Move::between($a, $b) : Move::between($b, $a);
    }

    private static function zoom(Frame $base, float $seconds, int $turn): Move
    {
        $close = $base->scaled(1 / (1 + min(self::MOST_ZOOM, self::ZOOM_PER_SECOND * $seconds)));

        return 0 === $turn % 2 ? Move::between($base, $close) : Move::between($close, $base);
    }
}
