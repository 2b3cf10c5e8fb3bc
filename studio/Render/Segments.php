<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Plan\Plan;

/** Divides a plan into segments: the parts where a scene is alone, and each transition. */
final class Segments
{
    /** Raised when the same plan would give other pictures. */
    private const ENGINE = 5;

    /**
     * Frames of a scene alone, at most: a slide is several segments, so that every worker has a share of one that was mended,
     * and a loss is small. Shorter ones would cost more to begin than they save.
     */
    private const LONGEST = 180;

    /**
     * @param (\Closure(string): string)|null $content names what an asset holds, by its id; null where an id holds one thing for ever
     *
     * @return list<Segment> in the order of the film
     */
    public static function of(Plan $plan, FilmFormat $format, ?\Closure $content = null): array
    {
        $made = self::ENGINE . ' ' . $format->fingerprint();
        $segments = [];
        foreach ($plan->scenes as $i => $scene) {
            $before = $plan->scenes[$i - 1] ?? null;
            if ($scene->comesIn > 0 && null !== $before) {
                $segments[] = new Segment($before, $scene, $scene->start, $scene->comesIn, $made, $content);
            }
            $at = $scene->start + $scene->comesIn;
            // What stands still costs next to nothing: it is one.
            $parts = max(1, $scene->isStill() ? 1 : (int) ceil(($scene->end - $at) / self::LONGEST));
            foreach (Pacing::share($scene->end - $at, $parts) as $frames) {
                if ($frames > 0) {
                    $segments[] = new Segment($scene, null, $at, $frames, $made, $content);
                }
                $at += $frames;
            }
        }

        return $segments;
    }
}
