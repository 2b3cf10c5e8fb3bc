<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Pointing\Strokes;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** Where somebody pointed while they spoke, as it is seen while what they said is heard. */
final class Pointed
{
    /** Frames that it is seen, at least: a tap with a finger takes no time. */
    private const LEAST = 30;

    /**
     * @param int                $frames that the slide is seen
     * @param list<PlannedLayer> $layers of the slide, back to front
     *
     * @return list<PlannedLayer> the same, and what points over them
     */
    public static function over(TimedSlide $timed, Story $story, int $frames, array $layers): array
    {
        $pictures = [];
        foreach ($layers as $layer) {
            if ($layer instanceof PlannedPicture) {
                $pictures[$layer->asset()] ??= $layer;
            }
        }
        $pointing = [];
        foreach ($timed->voice as $span) {
            $strokes = $story->voice($span->asset)->take->pointing ?? [];
            foreach (Strokes::between($strokes, $span->from / Rate::SAMPLES_PER_MILLISECOND, $span->to / Rate::SAMPLES_PER_MILLISECOND) as $stroke) {
                $picture = null === $stroke->over ? null : $pictures[$stroke->over] ?? null;
                // On a slide that shows another picture there is nothing to point at.
                if (null === $stroke->over || null !== $picture) {
                    $begins = ($span->at - $span->from) / Rate::SAMPLES_PER_FRAME - $timed->start;
                    $pointing[] = self::planned('pointing-' . \count($pointing), $stroke, $begins, $frames, $picture, $story->shape);
                }
            }
        }

        return [...$layers, ...$pointing];
    }

    /** @param float $begins frame of the scene at which the recording would begin */
    private static function planned(string $id, Stroke $stroke, float $begins, int $frames, ?PlannedPicture $picture, Shape $shape): PlannedPointing
    {
        $frame = static fn(int $at): int => max(0, min($frames, (int) round($begins + $at * Rate::SAMPLES_PER_MILLISECOND / Rate::SAMPLES_PER_FRAME)));
        $x = $y = [];
        foreach ($stroke->points as [$at, $across, $down]) {
            $x[$frame($at)] = [$frame($at), $across];
            $y[$frame($at)] = [$frame($at), $down];
        }
        $comes = min($frame($stroke->from()), max(0, $frames - self::LEAST));

        return new PlannedPointing(
            $id,
            $stroke->form,
            $shape,
            $comes,
            min($frames, max($comes + self::LEAST, $frame($stroke->to()) + PlannedPointing::SOFT)),
            new Envelope(array_values($x)),
            new Envelope(array_values($y)),
            $picture?->move,
            $picture?->box,
        );
    }
}
