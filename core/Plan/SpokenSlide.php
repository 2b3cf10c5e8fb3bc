<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\SpokenThread;
use Rhapsode\Core\Captions\WordTimes;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Beside;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Words\Unit;

/** When the words of one slide are said, as the page is told. */
final class SpokenSlide
{
    /** @return array<string, mixed> seconds from the frame at which the slide begins to be seen; samples of its voice as it is heard */
    public static function told(TimedSlide $timed, Story $story): array
    {
        $words = WordTimes::of($timed, $story);

        return [
            'spoken' => $words->spoken,
            'zero' => round(SlideMoments::zero($timed), 3),
            'samples' => $timed->slide->spokenSamples(),
            'sentences' => SpokenThread::sentences($words, $timed, $story),
            'repeats' => VoiceThread::repeats($story, $timed->slide),
            'beside' => Beside::of($story, $timed->slide->voice),
            'pauses' => VoiceThread::pauses($story, $timed->slide->voice),
            'words' => array_map(
                static fn(Unit $unit, float $starts, array $time): array => [
                    'text' => trim($unit->text),
                    'at' => round($starts, 3),
                    'to' => round($starts + $time[1] - $time[0], 3),
                ],
                $words->units,
                $words->starts(),
                $words->times,
            ),
        ];
    }
}
