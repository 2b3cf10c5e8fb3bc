<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Geometry\Frame;

/**
 * Decides what part of its picture a slide shows, and how that changes while it is seen.
 */
final class Framer
{
    /** The share of a picture that filling the slide may cost before it is shown whole instead. */
    public const MOST_LOST = 0.4;
    /** The same in a cell, where pictures beside each other look best when they are of one size. */
    public const MOST_LOST_IN_CELL = 0.6;
    /** So little that filling costs no head. */
    private const HARDLY_LOST = 0.04;
    /** At what share of the slide's height the middle of a head lies best (common practice: eyes on the upper third). */
    public const HEADS_LIE = 0.42;

    /**
     * @param float        $ratio   width over height of the picture
     * @param Matters|null $matters in it, where that is known: no head is cut by the slide's edge where the picture can be shown whole
     */
    public static function isWhole(
        Fit $fit,
        float $ratio,
        float $room,
        ?Matters $matters = null,
        float $mostLost = self::MOST_LOST,
    ): bool {
        return match ($fit) {
            Fit::Whole => true,
            Fit::Fill => false,
            Fit::Auto => match (true) {
                self::lostByFilling($ratio, $room) > $mostLost => true,
                self::lostByFilling($ratio, $room) < self::HARDLY_LOST => false,
                default => !self::holdsHeads($ratio, $room, $matters),
            },
        };
    }

    private static function holdsHeads(float $ratio, float $room, ?Matters $matters): bool
    {
        $heads = null === $matters ? [] : Placing::heads($matters);
        $wider = $room / $ratio;

        return null !== ($wider > 1 ? Placing::room(
            Placing::alongHeight($heads),
            1 / $wider,
        ) : Placing::room(Placing::alongWidth($heads), $wider));
    }

    /** The share of the picture's area outside the slide when it fills it, 0 to 1. */
    public static function lostByFilling(float $ratio, float $room): float
    {
        $base = self::base($ratio, $room);

        return 1 - $base->width * $base->height;
    }

    /**
     * The largest frame of the film's shape. An upright crop keeps a little more above than below: heads are there. Where it is known
     * what matters, it lies where that is seen.
     */
    public static function base(float $ratio, float $room, ?Matters $matters = null): Frame
    {
        $wider = $room / $ratio;
        $usual = $wider > 1
            ? Frame::about(0.5, 0.5 - (1 - 1 / $wider) * 0.2, 1, 1 / $wider)
            : Frame::about(0.5, 0.5, $wider, 1);
        if (null === $matters) {
            return $usual;
        }
        $heads = Placing::heads($matters);

        return $wider > 1
            ? new Frame(
                0,
                Placing::at(Placing::alongHeight($heads), $matters->down, $usual->height, $usual->y, self::HEADS_LIE),
                1,
                $usual->height,
            )
            : new Frame(Placing::at(Placing::alongWidth($heads), $matters->across, $usual->width, $usual->x, 0.5), 0, $usual->width, 1);
    }

    /**
     * A move of its own begins wide and ends on what matters, or the other way where the next slide goes on with the same picture. Where
     * nothing is known to matter, inward or outward, this way or that follows from the slide's own id: moving a slide changes no
     * other slide's film.
     *
     * @param float        $ratio   width over height of the picture
     * @param float        $seconds how long it is seen, transitions included
     * @param string       $slide   its id
     * @param Moments|null $moments when its stops are reached; without it there are none
     * @param Matters|null $matters in the picture
     * @param bool         $goesOn  whether the next slide shows the same picture
     * @param float        $amount  of motion that a picture has by itself, 1 for the usual
     */
    public static function move(
        Fit $fit,
        Framing $framing,
        float $ratio,
        float $room,
        float $seconds,
        string $slide,
        ?Moments $moments = null,
        ?Matters $matters = null,
        bool $goesOn = false,
        float $amount = 1.0,
    ): Move {
        if (self::isWhole($fit, $ratio, $room, $matters)) {
            return Move::still(Frame::all());
        }
        $base = self::base($ratio, $room, $matters);
        if (Motion::Set === $framing->motion && null !== $framing->opensOn && null !== $framing->closesOn) {
            $stops = null === $moments ? [] : array_map(
                static fn(Stop $stop): array => [$moments->of($stop), self::shaped($stop->frame, $base)],
                $framing->stops,
            );

            return Stops::way($stops, self::shaped($framing->opensOn, $base), self::shaped($framing->closesOn, $base), $seconds);
        }
        if (Motion::Auto !== $framing->motion) {
            return Move::still($base);
        }

        return null === $matters ? AutoMove::anyhow($base, $seconds, $slide, $amount) : AutoMove::toward($base, $matters, $seconds, $goesOn, $amount);
    }

    /** A frame brought to the film's shape about its centre, whatever shape it was drawn in. */
    private static function shaped(Frame $frame, Frame $base): Frame
    {
        $share = min(1.0, max($frame->width / $base->width, $frame->height / $base->height));

        return Frame::about($frame->x + $frame->width / 2, $frame->y + $frame->height / 2, $base->width * $share, $base->height * $share);
    }
}
