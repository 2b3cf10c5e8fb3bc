<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Pacing\PlacedSpan;
use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;

/**
 * The voice of a slide as it is heard, its spans one after another: $begin is the millisecond of the film at which somebody
 * begins to speak, $seconds for how long, $pauses where nobody does, in seconds from there; $turns those of the pauses, by their
 * places in that list, at which somebody else begins to speak.
 */
final readonly class Speech
{
    /**
     * @param list<array{float, float}> $pauses
     * @param list<int>                 $turns
     */
    private function __construct(public int $begin, public float $seconds, public array $pauses, public array $turns) {}

    /** @param list<PlacedSpan> $spans */
    public static function of(Story $story, array $spans): ?self
    {
        $first = $spans[0] ?? null;
        $last = $spans[\count($spans) - 1] ?? null;
        $opening = null === $first ? null : $story->voice($first->asset);
        $closing = null === $last ? null : $story->voice($last->asset);
        if (null === $first || null === $last || null === $opening || null === $closing) {
            return null;
        }
        $from = $first->at + self::begins($first, $opening) - $first->from;
        $to = max($from + 1, $last->at + self::ends($last, $closing) - $last->from);
        $turns = self::turns($story, $spans);
        $pauses = array_values(array_filter(
            self::withTurns(self::pauses($story, $spans), $turns),
            static fn(array $pause): bool => $pause[0] > $from && $pause[1] < $to,
        ));

        return new self(
            intdiv($from * 1000, Rate::SAMPLES),
            ($to - $from) / Rate::SAMPLES,
            array_map(
                static fn(array $pause): array => [($pause[0] - $from) / Rate::SAMPLES, ($pause[1] - $from) / Rate::SAMPLES],
                $pauses,
            ),
            array_keys(array_filter(
                $pauses,
                static fn(array $pause): bool => [] !== array_filter($turns, static fn(int $turn): bool => $pause[0] <= $turn && $turn <= $pause[1]),
            )),
        );
    }

    /**
     * @param list<PlacedSpan> $spans
     *
     * @return list<int> samples of the film at which somebody else begins to speak
     */
    private static function turns(Story $story, array $spans): array
    {
        $turns = [];
        foreach (\array_slice($spans, 1) as $i => $span) {
            if ($story->voice($spans[$i]->asset)?->take->speaker !== $story->voice($span->asset)?->take->speaker) {
                $turns[] = $span->at;
            }
        }

        return $turns;
    }

    /**
     * @param list<array{int, int}> $pauses
     * @param list<int>             $turns
     *
     * @return list<array{int, int}> with one of no length where somebody else begins without one
     */
    private static function withTurns(array $pauses, array $turns): array
    {
        foreach ($turns as $turn) {
            if ([] === array_filter($pauses, static fn(array $pause): bool => $pause[0] <= $turn && $turn <= $pause[1])) {
                $pauses[] = [$turn, $turn];
            }
        }
        sort($pauses);

        return $pauses;
    }

    /** Trimming leaves a margin on both sides, where there was room for one. */
    private static function begins(PlacedSpan $span, Voice $voice): int
    {
        return max($span->from, min($voice->from + (0 === $voice->from ? 0 : Trim::BEFORE), $voice->to - 1, $span->to - 1));
    }

    private static function ends(PlacedSpan $span, Voice $voice): int
    {
        return max($span->from + 1, min($span->to, $voice->to - ($voice->to === $voice->samples ? 0 : Trim::AFTER)));
    }

    /**
     * @param list<PlacedSpan> $spans without gaps
     *
     * @return list<array{int, int}> samples of the film
     */
    public static function pauses(Story $story, array $spans): array
    {
        $at = $spans[0]->at ?? 0;
        $thread = array_map(static fn(PlacedSpan $span): Span => new Span($span->asset, $span->from, $span->to), $spans);

        return array_map(
            static fn(array $pause): array => [$at + $pause[0], $at + $pause[1]],
            VoiceThread::pauses($story, $thread),
        );
    }
}
