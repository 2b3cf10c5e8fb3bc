<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Pacing\PlacedSpan;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** How the voices of a story are heard: each span at the gain that brings its take to the film's loudness. */
final class Voices
{
    /** Seconds over which a span comes and goes at its edges, so that a cut does not click. */
    private const EDGE = 0.008;

    /**
     * @param list<TimedSlide> $timed
     *
     * @return list<Play> in order
     */
    public static function plays(Story $story, array $timed): array
    {
        $plays = [];
        foreach ($timed as $slide) {
            foreach ($slide->voice as $span) {
                $voice = $story->voice($span->asset);
                $gain = null === $voice ? 0.0 : Loudness::factor(Loudness::gain($voice));
                $edge = min(Rate::samples(self::EDGE), intdiv($span->end() - $span->at, 2));
                $gains = [[$span->at, 0.0], [$span->at + $edge, $gain], [$span->end() - $edge, $gain], [$span->end(), 0.0]];
                $plays[] = new Play(
                    $span->asset,
                    $span->at,
                    $span->from,
                    $span->to,
                    null === $voice ? $gains : self::dipped($gains, Dips::in($voice), $span),
                    Bus::Voice,
                    $slide->slide->id,
                    $voice?->cleaned > 0.0 && !$voice->take->isLowered(Lowered::Noise),
                );
            }
        }

        return $plays;
    }

    /**
     * @param non-empty-list<array{int, float}> $gains
     *
     * @return non-empty-list<array{int, float}>
     */
    private static function dipped(array $gains, Dips $dips, PlacedSpan $span): array
    {
        $later = $span->at - $span->from;
        $inside = array_map(static fn(int $moment): int => $moment + $later, $dips->moments($span->from, $span->to));
        if ([] === $inside) {
            return $gains;
        }
        $play = new Play($span->asset, $span->at, $span->from, $span->to, $gains);
        $moments = array_unique([...array_column($gains, 0), ...$inside]);
        sort($moments);

        return array_map(static fn(int $moment): array => [$moment, $play->gainAt($moment) * $dips->factor($moment - $later)], $moments);
    }
}
