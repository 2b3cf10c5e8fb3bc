<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Layer\Picture\Lasts;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/**
 * How long every slide stays.
 *
 * A slide's stay is the time from its start to the next one's start; the stays add up exactly to the film's length.
 * With a voice: the transition in, half a second, the voice, half a second; so the voice starts a little after the picture is
 * there, ends a little before it goes, and nobody speaks during a transition. Without: the time its maker chose, or as long as what
 * moves on it, or the usual.
 * (Common practice: 3 to 5 s for a picture, 5 to 7 for a title.)
 */
final class Pacing
{
    public const BREATH = 0.5;
    public const USUAL_PICTURE = 4.0;
    public const USUAL_TITLE = 5.0;
    /** Letters a second in which names are read (common practice in subtitling: 15 to 17; of names less). */
    private const READING = 12.0;

    /** @return list<TimedSlide> one for each slide of the story, in order */
    public static function of(Story $story): array
    {
        $lengths = self::lengths($story);
        $timed = [];
        $start = 0;
        foreach ($story->slides as $i => $slide) {
            [$stay, $comesIn] = $lengths[$i];
            $voice = [] === $slide->voice ? [] : self::placed(
                $slide,
                ($start + $comesIn + Rate::frames(self::BREATH)) * Rate::SAMPLES_PER_FRAME,
            );
            $timed[] = new TimedSlide($slide, $start, $stay, $comesIn, $voice);
            $start += $stay;
        }

        return $timed;
    }

    /**
     * From the last to the first: a clip goes on while the next slide comes in, and is over when that is there.
     *
     * @return array<int, array{int, int}> by place in the story: the stay, and the frames over which it comes in
     */
    private static function lengths(Story $story): array
    {
        $lengths = [];
        $out = 0;
        for ($i = \count($story->slides) - 1; $i >= 0; --$i) {
            $slide = $story->slides[$i];
            $comesIn = 0 === $i ? 0 : $story->transitionOf($story->slides[$i - 1])->frames();
            [$moves, $isLasting] = self::moving($story, $slide, $out);
            if ([] === $slide->voice) {
                $stay = null === $slide->stay && $moves > 0 ? $moves : Rate::frames($slide->stay ?? self::usual($slide));
                // A short slide must be seen whole for at least half its time.
                $comesIn = min($comesIn, intdiv($stay, 2));
            } else {
                $stay = max($comesIn + self::spoken($slide), $isLasting ? $moves : 0);
            }
            $lengths[$i] = [$stay, $out = $comesIn];
        }

        return $lengths;
    }

    /**
     * @param int $out frames over which the slide goes
     *
     * @return array{int, bool} frames of the longest clip on it, 0 where there is none; and whether it stays until that is over
     */
    private static function moving(Story $story, Slide $slide, int $out): array
    {
        [$longest, $isLasting] = [0, false];
        foreach ($slide->pictures() as $layer) {
            $clip = $story->picture($layer->asset)?->clip;
            $part = $layer->part ?? new Part();
            $moves = null === $clip ? 0 : max(Rate::frames(Limits::LEAST_STAY), $part->frames($clip) - $out);
            if ($moves > $longest) {
                [$longest, $isLasting] = [$moves, Lasts::Clip === $part->lasts];
            }
        }

        return [$longest, $isLasting];
    }

    /** @return int the frames of its voice, with a breath before and after it */
    private static function spoken(Slide $slide): int
    {
        return 2 * Rate::frames(self::BREATH) + Rate::framesFor($slide->spokenSamples());
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
        return match (true) {
            Layout::Closing === $slide->layout => max(self::USUAL_TITLE, self::reading($slide)),
            $slide->layout->isWordsAlone() => self::USUAL_TITLE,
            default => self::USUAL_PICTURE,
        };
    }

    /** Seconds in which who made it is read, and a breath. */
    private static function reading(Slide $slide): float
    {
        $letters = array_sum(array_map(static fn(WordsLayer $words): int => mb_strlen($words->text), $slide->written()));

        return 2.0 + ceil($letters / self::READING);
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
