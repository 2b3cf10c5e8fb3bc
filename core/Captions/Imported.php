<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Core\Timing\Rate;

/** Cues as a file of captions had them, instead of the computed ones. What lies after the film's end is left out. */
final class Imported
{
    /**
     * @param list<TimedCaption>       $captions
     * @param array<string, int> $ends the frame at which each slide ends, by its id, in the order of the film
     *
     * @return list<Cue>
     */
    public static function cues(array $captions, array $ends): array
    {
        $cues = [];
        $slides = array_map(strval(...), array_keys($ends));
        $ends = array_values($ends);
        $end = [] === $ends ? 0 : intdiv($ends[\count($ends) - 1] * 1000, Rate::FPS);
        usort($captions, static fn(TimedCaption $a, TimedCaption $b): int => [$a->start, $a->end] <=> [$b->start, $b->end]);
        $i = 0;
        foreach ($captions as $caption) {
            if ($caption->start >= $end) {
                break;
            }
            while ($i < \count($slides) - 1 && $caption->start * Rate::FPS >= $ends[$i] * 1000) {
                ++$i;
            }
            $cues[] = new Cue($caption->start, min($caption->end, $end), $caption->text, $slides[$i]);
        }

        return $cues;
    }
}
