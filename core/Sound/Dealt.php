<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** One long recording, or several one after another, for many slides: where each slide's part may begin. Places are samples of the thread. */
final class Dealt
{
    /** Of more pauses the longest are places to cut at: what it takes to choose grows with their square. */
    private const PAUSES = 500;

    /**
     * Which slides of those from one on it may be for: all but those of words alone for which nothing is written to be said.
     *
     * @return list<Slide>
     */
    public static function slides(Story $story, ?string $from): array
    {
        $first = null === $from ? null : $story->indexOf($from);

        return array_values(array_filter(
            \array_slice($story->slides, $first ?? 0),
            static fn(Slide $slide): bool => $slide->id === $from || !$slide->layout->isWordsAlone() || '' !== trim($slide->script),
        ));
    }

    /**
     * Where their parts begin: at pauses, as long as the scripts make one expect; evenly where there are too few pauses.
     *
     * @param list<Span>  $thread
     * @param list<Slide> $slides
     *
     * @return list<array{at: int, sure: float}> one for each slide, the first at 0; how sure it is, 0.5 to 1, 0 for a guess
     */
    public static function suggested(Story $story, array $thread, array $slides): array
    {
        $length = VoiceThread::length($thread);
        $weights = self::weights($slides, $story->language);
        $pauses = self::pauses($story, $thread);
        usort($pauses, static fn(array $a, array $b): int => $b[1] - $b[0] <=> $a[1] - $a[0]);
        $pauses = \array_slice(array_filter($pauses, static fn(array $pause): bool => $pause[0] > 0 && $pause[1] < $length), 0, self::PAUSES);
        sort($pauses);
        $points = Splitter::points(0.0, $length / Rate::SAMPLES, array_map(
            static fn(array $pause): array => [$pause[0] / Rate::SAMPLES, $pause[1] / Rate::SAMPLES],
            $pauses,
        ), $weights);
        $begins = [] === $slides ? [] : [['at' => 0, 'sure' => 1.0]];
        $passed = 0.0;
        foreach (\array_slice($weights, 1) as $i => $_) {
            $passed += $weights[$i];
            $point = $points[$i] ?? null;
            $begins[] = null === $point
                ? ['at' => (int) round($length * $passed / array_sum($weights)), 'sure' => 0.0]
                : ['at' => Rate::samples($point->at), 'sure' => $point->confidence];
        }

        return $begins;
    }

    /**
     * Where nobody speaks, also before and after each recording's voice.
     *
     * @param list<Span> $thread
     *
     * @return list<array{int, int}> from and to (exclusive), in order
     */
    public static function pauses(Story $story, array $thread): array
    {
        $quiet = VoiceThread::pauses($story, $thread);
        $at = 0;
        foreach ($thread as $span) {
            $voice = $story->voice($span->asset);
            $quiet[] = [$at, $at + max(0, min($span->to, $voice->from ?? 0) - $span->from)];
            $quiet[] = [$at + min($span->length(), max(0, ($voice->to ?? $span->to) - $span->from)), $at += $span->length()];
        }
        sort($quiet);
        $joined = [];
        foreach (array_filter($quiet, static fn(array $pause): bool => $pause[0] < $pause[1]) as [$from, $to]) {
            $last = $joined[\count($joined) - 1] ?? null;
            if (null !== $last && $last[1] >= $from) {
                array_pop($joined);
                [$from, $to] = [$last[0], max($last[1], $to)];
            }
            $joined[] = [$from, $to];
        }

        return $joined;
    }

    /**
     * What lies between two places, without the silence on both sides but for the margins that every voice has.
     *
     * @param list<Span> $thread
     *
     * @return list<Span>
     */
    public static function part(Story $story, array $thread, int $from, int $to): array
    {
        foreach (self::pauses($story, $thread) as [$begins, $ends]) {
            if ($begins <= $from && $ends > $from) {
                $from = max($from, $ends - Trim::BEFORE);
            }
            if ($begins < $to && $ends >= $to) {
                $to = min($to, $begins + Trim::AFTER);
            }
        }

        return VoiceThread::part($thread, $from, $to);
    }

    /**
     * @param list<Slide> $slides
     *
     * @return list<float> how long their scripts take to say, compared; the mean of the others for one without, and all the same for none
     */
    public static function weights(array $slides, string $language): array
    {
        $weights = array_map(
            static fn(Slide $slide): float => array_sum(
                array_map(static fn(Unit $unit): float => $unit->weight, Units::of($slide->script, $language)),
            ),
            $slides,
        );
        $known = array_filter($weights);
        $mean = [] === $known ? 1.0 : array_sum($known) / \count($known);

        return array_map(static fn(float $weight): float => 0.0 === $weight ? $mean : $weight, $weights);
    }
}
