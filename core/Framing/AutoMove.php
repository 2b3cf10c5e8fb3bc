<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Geometry\Frame;

/**
 * The slow move that a picture makes by itself: it keeps below speeds that make people feel sick, and is smaller on a slide that
 * stays shorter. The limits are common practice: about 2 % of scale and 3 % of the picture's width a second.
 */
final class AutoMove
{
    private const ZOOM_PER_SECOND = 0.018;
    private const MOST_ZOOM = 0.14;
    private const PAN_PER_SECOND = 0.025;
    /** Below this overhang (share of the picture's side) there is nothing to pan over. */
    private const LEAST_OVERHANG = 0.08;
    /** A move shorter than this share of the picture's side is none. */
    private const LEAST_PAN = 0.02;

    /**
     * It begins wide and ends on what matters, or the other way.
     *
     * @param Frame $base    what is seen of the picture where it stands still
     * @param bool  $goesOn  whether the next slide goes on with the same picture
     */
    public static function toward(Frame $base, Matters $matters, float $seconds, bool $goesOn, float $amount = 1.0): Move
    {
        $toward = self::wideToNear($base, $matters, $seconds, $amount);

        return $goesOn ? Move::between($toward->closesOn, $toward->opensOn) : $toward;
    }

    /** Where nothing is known to matter: inward or outward, this way or that follows from the slide's own id. */
    public static function anyhow(Frame $base, float $seconds, string $slide, float $amount = 1.0): Move
    {
        $turn = crc32($slide);

        return self::pan($base, $seconds, $turn, $amount) ?? self::zoom($base, $seconds, $turn, $amount);
    }

    /** From a wider or another view to the one that shows what matters, with no head cut on the way. */
    private static function wideToNear(Frame $base, Matters $matters, float $seconds, float $amount): Move
    {
        $heads = Placing::heads($matters);
        [$overX, $overY] = [1 - $base->width, 1 - $base->height];
        if (max($overX, $overY) >= self::LEAST_OVERHANG) {
            $reach = self::PAN_PER_SECOND * $amount * $seconds;
            $isAcross = $overX > $overY;
            [$length, $at] = $isAcross ? [$base->width, $base->x] : [$base->height, $base->y];
            [$least, $most] = Placing::room($isAcross ? Placing::alongWidth($heads) : Placing::alongHeight($heads), $length) ?? [$at, $at];
            // From where there is more to be seen on the way.
            $from = $at - $least > $most - $at ? max($least, $at - $reach) : min($most, $at + $reach);
            if (abs($from - $at) > self::LEAST_PAN) {
                $opens = $isAcross ? new Frame($from, $base->y, $base->width, 1) : new Frame($base->x, $from, 1, $base->height);

                return Move::between($opens, $base);
            }
        }

        return Move::between($base, self::near($base, $heads, $matters, 1 + self::nearer($seconds, $amount)));
    }

    /**
     * As much nearer as there may be, about what matters.
     *
     * @param list<Frame> $heads
     */
    private static function near(Frame $base, array $heads, Matters $matters, float $zoom): Frame
    {
        $kept = array_reduce($heads, static fn(?Frame $all, Frame $head): Frame => $all?->hull($head) ?? $head);
        if (null !== $kept) {
            $zoom = max(1.0, min($zoom, $base->width / $kept->width, $base->height / $kept->height));
        }
        [$width, $height] = [$base->width / $zoom, $base->height / $zoom];
        $within = static fn(float $least, float $value, float $most): float => max($least, min($most, $value));
        $middle = $base->scaled(1 / $zoom);
        [$x, $y] = null === $kept ? [
            Placing::at([], $matters->across, $width, $middle->x, 0.5),
            Placing::at([], $matters->down, $height, $middle->y, 0.5),
        ] : [
            $within($kept->x + $kept->width - $width, $kept->x + ($kept->width - $width) / 2, $kept->x),
            $within($kept->y + $kept->height - $height, $kept->y + $kept->height / 2 - Framer::HEADS_LIE * $height, $kept->y),
        ];

        return new Frame(
            $within($base->x, $x, $base->x + $base->width - $width),
            $within($base->y, $y, $base->y + $base->height - $height),
            $width,
            $height,
        );
    }

    private static function nearer(float $seconds, float $amount): float
    {
        return min(self::MOST_ZOOM * $amount, self::ZOOM_PER_SECOND * $amount * $seconds);
    }

    private static function pan(Frame $base, float $seconds, int $turn, float $amount): ?Move
    {
        $overX = 1 - $base->width;
        $overY = 1 - $base->height;
        if (max($overX, $overY) < self::LEAST_OVERHANG) {
            return null;
        }
        $reach = min(max($overX, $overY), self::PAN_PER_SECOND * $amount * $seconds);
        $half = $reach / 2;
        [$a, $b] = $overX > $overY
            ? [new Frame($overX / 2 - $half, $base->y, $base->width, 1), new Frame($overX / 2 + $half, $base->y, $base->width, 1)]
            : [new Frame($base->x, $overY / 2 + $half, 1, $base->height), new Frame($base->x, $overY / 2 - $half, 1, $base->height)];

        return 0 === $turn % 2 ? Move::between($a, $b) : Move::between($b, $a);
    }

    private static function zoom(Frame $base, float $seconds, int $turn, float $amount): Move
    {
        $close = $base->scaled(1 / (1 + self::nearer($seconds, $amount)));

        return 0 === $turn % 2 ? Move::between($base, $close) : Move::between($close, $base);
    }
}
