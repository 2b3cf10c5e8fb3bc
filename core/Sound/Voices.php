<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

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
                $plays[] = new Play(
                    $span->asset,
                    $span->at,
                    $span->from,
                    $span->to,
                    [[$span->at, 0.0], [$span->at + $edge, $gain], [$span->end() - $edge, $gain], [$span->end(), 0.0]],
                    Bus::Voice,
                    $slide->slide->id,
                );
            }
        }

        return $plays;
    }
}
