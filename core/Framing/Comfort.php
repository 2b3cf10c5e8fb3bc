<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Geometry\Frame;

/**
 * How fast a move changes what is seen, at its fastest: $zoom is the change of scale a second (0.02 is 2 %), $pan the way of
 * the frame's centre a second, in widths of what is seen.
 *
 * Limits (common practice in slow moves over still pictures; what makes people feel sick begins at about twice that): the
 * default moves keep well under them.
 */
final readonly class Comfort
{
    public const MOST_ZOOM = 0.06;
    public const MOST_PAN = 0.10;
    /** Parts of the move that are looked at. */
    private const STEPS = 32;

    private function __construct(public float $zoom, public float $pan) {}

    /** @param float $seconds that the whole move takes */
    public static function of(Move $move, float $seconds): self
    {
        return self::worst($move, $seconds, self::onLeg(...));
    }

    /**
     * No move is faster than this: its greatest way at its greatest speed, seen through its smaller frame. Most moves are so slow
     * that they need not be looked at any closer.
     *
     * @param float $seconds that the whole move takes
     */
    public static function atMost(Move $move, float $seconds): self
    {
        return self::worst($move, $seconds, self::atMostOnLeg(...));
    }

    /** Seconds in which the look goes from one frame to another and is calm. */
    public static function calmSeconds(Frame $from, Frame $to): float
    {
        $inASecond = self::atMostOnLeg(Move::between($from, $to), 1.0);

        // A little more: whole frames do not fall just where they should.
        return 1.02 * max($inASecond->zoom / self::MOST_ZOOM, $inASecond->pan / self::MOST_PAN);
    }

    /** @param \Closure(Move, float): self $onLeg */
    private static function worst(Move $move, float $seconds, \Closure $onLeg): self
    {
        $zoom = $pan = 0.0;
        foreach ($move->legs() as [$share, $leg]) {
            $found = $onLeg($leg, $share * $seconds);
            [$zoom, $pan] = [max($zoom, $found->zoom), max($pan, $found->pan)];
        }

        return new self($zoom, $pan);
    }

    private static function onLeg(Move $move, float $seconds): self
    {
        $zoom = $pan = 0.0;
        $step = max(0.001, $seconds / self::STEPS);
        $before = $move->at(0.0);
        for ($i = 1; $i <= self::STEPS; ++$i) {
            $now = $move->at($i / self::STEPS);
            $zoom = max($zoom, abs(log($now->width / $before->width)) / $step);
            $across = ($now->x + $now->width / 2 - $before->x - $before->width / 2) / $now->width;
            $down = ($now->y + $now->height / 2 - $before->y - $before->height / 2) / $now->height;
            $pan = max($pan, hypot($across, $down) / $step);
            $before = $now;
        }

        return new self($zoom, $pan);
    }

    private static function atMostOnLeg(Move $move, float $seconds): self
    {
        [$from, $to] = [$move->opensOn, $move->closesOn];
        [$width, $height] = [min($from->width, $to->width), min($from->height, $to->height)];
        $speed = Ease::PEAK / max(0.001, $seconds);

        return new self(
            abs($to->width - $from->width) / $width * $speed,
            hypot(
                ($to->x + $to->width / 2 - $from->x - $from->width / 2) / $width,
                ($to->y + $to->height / 2 - $from->y - $from->height / 2) / $height,
            ) * $speed,
        );
    }

    public function isCalm(): bool
    {
        return $this->zoom <= self::MOST_ZOOM && $this->pan <= self::MOST_PAN;
    }
}
