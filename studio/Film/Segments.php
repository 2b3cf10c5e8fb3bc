<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\Plan;

/** Divides a plan into segments: the part where each slide is alone, and each join. */
final class Segments
{
    /** Raised when the same plan would give other pictures. */
    private const ENGINE = 1;

    /** @return list<Segment> in the order of the film */
    public static function of(Plan $plan, int $height): array
    {
        $made = implode('|', [self::ENGINE, $height, $plan->shape->value, FilmFormat::fingerprint()]);
        $segments = [];
        foreach ($plan->slides as $i => $slide) {
            $before = $plan->slides[$i - 1] ?? null;
            if ($slide->joinIn > 0 && null !== $before) {
                $segments[] = new Segment($before, $slide, $slide->start, $slide->joinIn, $made);
            }
            $alone = $slide->start + $slide->joinIn;
            if ($slide->end > $alone) {
                $segments[] = new Segment($slide, null, $alone, $slide->end - $alone, $made);
            }
        }

        return $segments;
    }
}
