<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Breaks;

/** How long a story's script takes at its speaker's pace, slide by slide and sentence by sentence, and how long the film is then. */
final readonly class Rehearsal
{
    public function __construct(private Story $story, private Memo $memo) {}

    /**
     * Of a slide that has no script, or is spoken, the film says itself how long it stays.
     *
     * @param int $film frames of the film as it is
     *
     * @return array{
     *     wordsPerMinute: int, isLearned: bool, seconds: float,
     *     slides: array<string, array{seconds: float, sentences: list<array{text: string, at: float}>}>
     * }
     */
    public function told(int $film): array
    {
        $pace = Pace::of($this->story, $this->memo);
        $slides = [];
        foreach (Pacing::of($this->story) as $timed) {
            $slide = $timed->slide;
            if ('' === trim($slide->script)) {
                continue;
            }
            $slides[$slide->id] = $told = $this->slide($slide, $pace);
            if ([] === $slide->voice) {
                $film += max(0, $timed->comesIn + Rate::frames($told['seconds'] + 2 * Pacing::BREATH) - $timed->stay);
            }
        }

        return [
            'wordsPerMinute' => (int) round($pace->words),
            'isLearned' => $pace->isLearned,
            'seconds' => round(Rate::seconds($film), 1),
            'slides' => $slides,
        ];
    }

    /**
     * Its sentences, that joined are the script as it was written, line by line; `at` is the second of it at which each begins.
     *
     * @return array{seconds: float, sentences: list<array{text: string, at: float}>}
     */
    private function slide(Slide $slide, Pace $pace): array
    {
        $sentences = [];
        $at = 0.0;
        foreach (Breaks::sentences($slide->script, $this->story->language) as $text) {
            $sentences[] = ['text' => $text, 'at' => round($at, 2)];
            $at += $pace->seconds(Pace::weight($text, $this->story->language, $this->memo));
        }

        return ['seconds' => round($at, 2), 'sentences' => $sentences];
    }
}
