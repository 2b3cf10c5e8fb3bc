<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Words\Refrain;

/**
 * The stretches of voice that a slide speaks, taken as one thread: a place on it is counted in samples from its beginning. What is
 * left out of a thread stays in its recordings.
 */
final class VoiceThread
{
    /** @param list<Span> $spans @return int samples */
    public static function length(array $spans): int
    {
        return array_sum(array_map(static fn(Span $span): int => $span->length(), $spans));
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<Span> what lies from one place to another (exclusive)
     */
    public static function part(array $spans, int $from, int $to): array
    {
        $part = [];
        $at = 0;
        foreach ($spans as $span) {
            [$begin, $end] = [max($from, $at), min($to, $at + $span->length())];
            if ($begin < $end) {
                $part[] = new Span($span->asset, $span->from + $begin - $at, $span->from + $end - $at);
            }
            $at += $span->length();
        }

        return $part;
    }

    /**
     * @param list<Span>            $spans
     * @param list<array{int, int}> $stretches from and to (exclusive), in any order
     *
     * @return list<Span>
     */
    public static function without(array $spans, array $stretches): array
    {
        sort($stretches);
        $left = [];
        $at = 0;
        foreach ([...$stretches, [self::length($spans), \PHP_INT_MAX]] as [$from, $to]) {
            $left = [...$left, ...self::part($spans, $at, $from)];
            $at = max($at, $to);
        }

        return self::joined($left);
    }

    /**
     * @param list<Span> $spans
     * @param list<Span> $wanted
     *
     * @return list<array{int, int}> where what is wanted lies on the thread, from and to (exclusive), in order
     */
    public static function places(array $spans, array $wanted): array
    {
        $places = [];
        $at = 0;
        foreach ($spans as $span) {
            $within = [];
            foreach ($wanted as $part) {
                [$from, $to] = [max($part->from, $span->from), min($part->to, $span->to)];
                if ($part->asset === $span->asset && $from < $to) {
                    $within[] = [$at + $from - $span->from, $at + $to - $span->from];
                }
            }
            sort($within);
            foreach ($within as [$from, $to]) {
                $last = $places[\count($places) - 1] ?? null;
                if (null !== $last && $last[1] >= $from) {
                    array_pop($places);
                    [$from, $to] = [$last[0], max($last[1], $to)];
                }
                $places[] = [$from, $to];
            }
            $at += $span->length();
        }

        return $places;
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<Span> the same, where what follows on in one recording is one stretch
     */
    public static function joined(array $spans): array
    {
        $joined = [];
        foreach ($spans as $span) {
            $last = $joined[\count($joined) - 1] ?? null;
            if (null !== $last && $last->asset === $span->asset && $last->to === $span->from) {
                array_pop($joined);
                $span = new Span($span->asset, $last->from, $span->to);
            }
            $joined[] = $span;
        }

        return $joined;
    }

    /**
     * A pause that was cut is as long as what is left of it, on both sides of the cut.
     *
     * @param list<Span> $spans
     *
     * @return list<array{int, int}> from and to (exclusive), in order
     */
    public static function pauses(Story $story, array $spans): array
    {
        $pauses = [];
        $at = 0;
        foreach ($spans as $span) {
            foreach ($story->voice($span->asset)->pauses ?? [] as [$from, $to]) {
                $from = $at + max($from, $span->from) - $span->from;
                $to = $at + min($to, $span->to) - $span->from;
                if ($from >= $to) {
                    continue;
                }
                $last = $pauses[\count($pauses) - 1] ?? null;
                if (null !== $last && $last[1] === $from) {
                    array_pop($pauses);
                    $from = $last[0];
                }
                $pauses[] = [$from, $to];
            }
            $at += $span->length();
        }

        return array_values(array_filter($pauses, static fn(array $pause): bool => $pause[1] - $pause[0] >= Voice::SHORTEST_PAUSE));
    }

    /**
     * What may have been said and then again: what was found by its sound, and is still heard whole. Where what is written begins
     * alike more than once, what sounds alike is meant.
     *
     * @return list<array{int, int}> of the thread, from and to (exclusive), in order
     */
    public static function repeats(Story $story, Slide $slide): array
    {
        if ([] === $slide->voice || Refrain::isIn($slide->script, $story->language)) {
            return [];
        }
        $repeats = [];
        $at = 0;
        foreach ($slide->voice as $span) {
            foreach ($story->voice($span->asset)->repeats ?? [] as [$first, $again]) {
                if ($first >= $span->from && $again < $span->to) {
                    $repeats[] = [$at + $first - $span->from, $at + $again - $span->from];
                }
            }
            $at += $span->length();
        }

        return $repeats;
    }
}
