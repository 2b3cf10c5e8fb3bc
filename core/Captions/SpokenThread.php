<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;

/** What is said where on the thread of a slide's voice. Places are samples from its beginning. */
final class SpokenThread
{
    /** Seconds of a pause that parts what is said where nothing is written. */
    private const BETWEEN_PHRASES = 0.3;

    /**
     * Its sentences, one after another without gaps: they are parted in the middle of what lies between. Where nothing is written
     * it is parted at its pauses, and `text` is empty.
     *
     * @return list<array{text: string, from: int, to: int}>
     */
    public static function sentences(WordTimes $words, TimedSlide $timed, Story $story): array
    {
        $end = $timed->slide->spokenSamples();
        if (0 === $end) {
            return [];
        }
        [$texts, $parted] = [] === $words->units ? self::phrases($story, $timed) : self::written($words, $timed);
        $sentences = [];
        $from = 0;
        foreach ($texts as $i => $text) {
            $to = max($from + 1, min($end - (\count($texts) - 1 - $i), $parted[$i] ?? $end));
            $sentences[] = ['text' => $text, 'from' => $from, 'to' => $to];
            $from = $to;
        }

        return $sentences;
    }

    /** @return array{list<string>, list<int>} texts, and where each but the last ends */
    private static function written(WordTimes $words, TimedSlide $timed): array
    {
        // The words are timed from the slide's first frame.
        $zero = ($timed->voice[0]->at ?? 0) - Rate::SAMPLES_PER_FRAME * $timed->start;
        $begin = intdiv($words->begin * Rate::SAMPLES, 1000) - $zero;
        $texts = $parted = [];
        $text = '';
        $last = \count($words->units) - 1;
        foreach ($words->units as $i => $unit) {
            $text .= $unit->text;
            if ($i === $last || Unit::SENTENCE === $unit->break) {
                $texts[] = trim($text);
                $text = '';
                if ($i < $last) {
                    $parted[] = $begin + Rate::samples(($words->times[$i][1] + $words->times[$i + 1][0]) / 2);
                }
            }
        }

        return [$texts, $parted];
    }

    /** @return array{list<string>, list<int>} */
    private static function phrases(Story $story, TimedSlide $timed): array
    {
        $parted = [];
        foreach (VoiceThread::pauses($story, $timed->slide->voice) as [$from, $to]) {
            if ($from > 0 && $to < $timed->slide->spokenSamples() && $to - $from >= Rate::samples(self::BETWEEN_PHRASES)) {
                $parted[] = intdiv($from + $to, 2);
            }
        }

        return [array_fill(0, \count($parted) + 1, ''), $parted];
    }
}
