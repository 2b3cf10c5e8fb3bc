<?php

declare(strict_types=1);

namespace Rhapsode\Core\Timing;

use Rhapsode\Core\Story\JoinKind;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Story;

/**
 * How long every slide stays.
 *
 * A slide's stay is the time from its start to the next one's start; the stays add up exactly to the film's length.
 * With a voice: the join in, half a second, the voice, half a second; so the voice starts a little after the picture is
 * there, ends a little before it goes, and nobody speaks during a join. Without: the time its maker chose, or the usual.
 * (Common practice: 3 to 5 s for a picture, 5 to 7 for a title.)
 */
final class Pacing
{
    public const BREATH = 0.5;
    public const USUAL_PICTURE = 4.0;
    public const USUAL_TITLE = 5.0;

    /** @return list<Timed> one for each slide of the story, in order */
    public static function of(Story $story): array
    {
        $timed = [];
        $start = 0;
        $before = null;
        foreach ($story->slides as $slide) {
            $take = $story->takeOf($slide);
            $joinIn = null === $before ? 0 : self::wished($before);
            $breath = Rate::frames(self::BREATH);
            if (null !== $take) {
                [$from, $to] = $slide->trimmed ? [$take->from, $take->to] : [0, $take->samples];
                $stay = $joinIn + 2 * $breath + Rate::framesFor($to - $from);
                $voice = new VoiceSpan($take->id, ($start + $joinIn + $breath) * Rate::SAMPLES_PER_FRAME, $from, $to);
            } else {
                $stay = Rate::frames($slide->stay ?? self::usual($slide));
                // A short slide must be seen whole for at least half its time.
                $joinIn = min($joinIn, intdiv($stay, 2));
                $voice = null;
            }
            $timed[] = new Timed($slide, $start, $stay, $joinIn, $voice);
            $start += $stay;
            $before = $slide;
        }

        return $timed;
    }

    public static function usual(Slide $slide): float
    {
        return SlideKind::Title === $slide->kind ? self::USUAL_TITLE : self::USUAL_PICTURE;
    }

    /**
     * Shares a length out over slides, in whole frames that add up to it exactly; the first ones take what is left over.
     *
     * @param positive-int $slides
     *
     * @return list<int> frames
     */
    public static function share(int $frames, int $slides): array
    {
        $each = intdiv($frames, $slides);
        $over = $frames % $slides;

        return array_map(static fn(int $i): int => $each + ($i < $over ? 1 : 0), range(0, $slides - 1));
    }

    /** The frames that a slide's join to the next one asks for. */
    public static function wished(Slide $slide): int
    {
        return JoinKind::Cut === $slide->join->kind ? 0 : Rate::frames($slide->join->seconds);
    }
}
