<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

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

    public function isCalm(): bool
    {
        return $this->zoom <= self::MOST_ZOOM && $this->pan <= self::MOST_PAN;
    }
}
