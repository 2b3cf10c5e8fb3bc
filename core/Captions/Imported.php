<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Story\Spoken;
use Rhapsode\Core\Timing\Rate;

/** Cues as a file of captions had them, instead of the computed ones. What lies after the film's end is left out. */
final class Imported
{
    /**
     * @param list<Spoken>       $captions
     * @param list<PlannedSlide> $slides
     *
     * @return list<Cue>
     */
    public static function cues(array $captions, array $slides): array
    {
        $cues = [];
        $end = [] === $slides ? 0 : intdiv($slides[\count($slides) - 1]->end * 1000, Rate::FPS);
        usort($captions, static fn(Spoken $a, Spoken $b): int => [$a->start, $a->end] <=> [$b->start, $b->end]);
        $i = 0;
        foreach ($captions as $caption) {
            if ($caption->start >= $end) {
                break;
            }
            while ($i < \count($slides) - 1 && $caption->start * Rate::FPS >= $slides[$i]->end * 1000) {
                ++$i;
            }
            $cues[] = new Cue($caption->start, min($caption->end, $end), $caption->text, $slides[$i]->id);
        }

        return $cues;
    }
}
