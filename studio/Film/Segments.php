<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\Plan;

/** Divides a plan into segments: the parts where a slide is alone, and each join. */
final class Segments
{
    /** Raised when the same plan would give other pictures. */
    private const ENGINE = 2;

    /** Frames of a slide alone: a long narration is several segments, so that every worker has a share and a loss is small. */
    private const LONGEST = 600;

    /** @return list<Segment> in the order of the film */
    public static function of(Plan $plan, FilmFormat $format): array
    {
        $made = self::ENGINE . ' ' . $format->fingerprint();
        $segments = [];
        foreach ($plan->slides as $i => $slide) {
            $before = $plan->slides[$i - 1] ?? null;
            if ($slide->joinIn > 0 && null !== $before) {
                $segments[] = new Segment($before, $slide, $slide->start, $slide->joinIn, $made);
            }
            for ($at = $slide->start + $slide->joinIn; $at < $slide->end; $at += self::LONGEST) {
                $segments[] = new Segment($slide, null, $at, min(self::LONGEST, $slide->end - $at), $made);
            }
        }

        return $segments;
    }
}
