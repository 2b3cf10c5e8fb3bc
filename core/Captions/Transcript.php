<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Units;

/** The plain words of a film, without times: written from its cues, and timed to its voices. */
final class Transcript
{
    /** @param list<Cue> $cues */
    public static function write(array $cues): string
    {
        $out = '';
        $slide = null;
        foreach ($cues as $cue) {
            $out .= (null === $slide ? '' : ($slide === $cue->slide ? ' ' : "\n\n")) . str_replace("\n", ' ', $cue->text);
            $slide = $cue->slide;
        }

        return '' === $out ? '' : $out . "\n";
    }

    /**
     * A transcript of the whole story, timed: all its voices are taken as one, with the transitions as its longest pauses.
     *
     * @return list<TimedCaption> none where nobody speaks, or nothing is written
     */
    public static function timed(string $text, Story $story): array
    {
        $spans = [];
        foreach (Pacing::of($story) as $timed) {
            if ([] !== $timed->voice) {
                $spans[] = [$timed->voice[0]->at, $timed->voice[\count($timed->voice) - 1]->end(), Speech::pauses($story, $timed->voice)];
            }
        }
        $units = Units::of($text, $story->language);
        if ([] === $spans || [] === $units) {
            return [];
        }
        $begin = $spans[0][0];
        $seconds = static fn(int $sample): float => ($sample - $begin) / Rate::SAMPLES;
        $pauses = [];
        foreach ($spans as $i => [$from, $to, $within]) {
            foreach ($within as [$a, $b]) {
                if ($a > $from && $b < $to) {
                    $pauses[] = [$seconds($a), $seconds($b)];
                }
            }
            if (isset($spans[$i + 1])) {
                $pauses[] = [$seconds($to), $seconds($spans[$i + 1][0])];
            }
        }
        $times = Alignment::of($units, $seconds($spans[\count($spans) - 1][1]), $pauses);
        $cutter = new CueCutter($units, $times);
        $captions = [];
        foreach ($cutter->parts() as [$first, $last]) {
            $from = (int) round(1000 * ($times[$first][0] + $begin / Rate::SAMPLES));
            $to = (int) round(1000 * ($times[$last][1] + $begin / Rate::SAMPLES));
            if ($to > $from) {
                $captions[] = new TimedCaption($from, min($to, $from + CueMaker::LONGEST), $cutter->text($first, $last));
            }
        }

        return $captions;
    }
}
