<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** How long a story's script takes at its speaker's pace, slide by slide and sentence by sentence, and how long the film is then. */
final readonly class Rehearsal
{
    public function __construct(private Story $story, private Memo $memo) {}

    /**
     * Of a slide that has no script, or is spoken, the film says itself how long it stays.
     *
     * @param int $film frames of the film as it is
     *
     * @return array{wordsPerMinute: int, isLearned: bool, seconds: float, slides: array<string, list<array{text: string, seconds: float}>>}
     */
    public function told(int $film): array
    {
        $pace = Pace::of($this->story, $this->memo);
        $slides = [];
        foreach (Pacing::of($this->story) as $timed) {
            $slide = $timed->slide;
            $sentences = $this->sentences($slide, $pace);
            if ([] !== $sentences) {
                $slides[$slide->id] = $sentences;
            }
            $spoken = Rate::frames(array_sum(array_column($sentences, 'seconds')) + 2 * Pacing::BREATH);
            if ([] === $slide->voice && [] !== $sentences) {
                $film += max(0, $timed->comesIn + $spoken - $timed->stay);
            }
        }

        return [
            'wordsPerMinute' => (int) round($pace->words),
            'isLearned' => $pace->isLearned,
            'seconds' => round(Rate::seconds($film), 1),
            'slides' => $slides,
        ];
    }

    /** @return list<array{text: string, seconds: float}> that joined give the script again, but for spaces before and after it */
    private function sentences(Slide $slide, Pace $pace): array
    {
        $texts = $weights = [];
        $at = 0;
        foreach (Units::of($slide->script, $this->story->language) as $unit) {
            $texts[$at] = ($texts[$at] ?? '') . $unit->text;
            $weights[$at] = ($weights[$at] ?? 0.0) + $unit->weight;
            $at += Unit::SENTENCE === $unit->break ? 1 : 0;
        }

        return array_map(
            static fn(string $text, float $weight): array => ['text' => $text, 'seconds' => round($pace->seconds($weight), 2)],
            $texts,
            $weights,
        );
    }
}
