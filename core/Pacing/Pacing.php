<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/**
 * How long every slide stays.
 *
 * A slide's stay is the time from its start to the next one's start; the stays add up exactly to the film's length.
 * With a voice: the transition in, half a second, the voice, half a second; so the voice starts a little after the picture is
 * there, ends a little before it goes, and nobody speaks during a transition. Without: the time its maker chose, or the usual.
 * (Common practice: 3 to 5 s for a picture, 5 to 7 for a title.)
 */
final class Pacing
{
    public const BREATH = 0.5;
    public const USUAL_PICTURE = 4.0;
    public const USUAL_TITLE = 5.0;

    /** @return list<TimedSlide> one for each slide of the story, in order */
    public static function of(Story $story): array
    {
        $timed = [];
        $start = 0;
        $before = null;
        $breath = Rate::frames(self::BREATH);
        foreach ($story->slides as $slide) {
            $comesIn = null === $before ? 0 : $story->transitionOf($before)->frames();
            if ([] !== $slide->voice) {
                $voice = self::placed($slide, ($start + $comesIn + $breath) * Rate::SAMPLES_PER_FRAME);
                $stay = $comesIn + 2 * $breath + Rate::framesFor($voice[\count($voice) - 1]->end() - $voice[0]->at);
            } else {
                $voice = [];
                $stay = Rate::frames($slide->stay ?? self::usual($slide));
                // A short slide must be seen whole for at least half its time.
                $comesIn = min($comesIn, intdiv($stay, 2));
            }
            $timed[] = new TimedSlide($slide, $start, $stay, $comesIn, $voice);
            $start += $stay;
            $before = $slide;
        }

        return $timed;
    }

    /** @return non-empty-list<PlacedSpan> one after another */
    private static function placed(Slide $slide, int $at): array
    {
        $placed = [];
        foreach ($slide->voice as $span) {
            $placed[] = new PlacedSpan($span->asset, $at, $span->from, $span->to);
            $at += $span->length();
        }
        \assert([] !== $placed);

        return $placed;
    }

    public static function usual(Slide $slide): float
    {
        return Layout::Title === $slide->layout ? self::USUAL_TITLE : self::USUAL_PICTURE;
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
}
