<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Timing\Pacing;

/** Divides a plan into segments: the parts where a slide is alone, and each join. */
final class Segments
{
    /** Raised when the same plan would give other pictures. */
    private const ENGINE = 3;

    /**
     * Frames of a slide alone, at most: a slide is several segments, so that every worker has a share of one that was mended,
     * and a loss is small. Shorter ones would cost more to begin than they save.
     */
    private const LONGEST = 180;

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
            $at = $slide->start + $slide->joinIn;
            // What stands still costs next to nothing: it is one.
            $parts = max(1, $slide->move->isStill() ? 1 : (int) ceil(($slide->end - $at) / self::LONGEST));
            foreach (Pacing::share($slide->end - $at, $parts) as $frames) {
                if ($frames > 0) {
                    $segments[] = new Segment($slide, null, $at, $frames, $made);
                }
                $at += $frames;
            }
        }

        return $segments;
    }
}
