<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;

/** Leaves the middle of every pause out that is longer than is said, in the voices of some slides. */
final readonly class ShortenPauses implements Edit
{
    /**
     * @param list<string> $slides
     * @param float        $seconds how long a pause is at most
     */
    public function __construct(private array $slides, private float $seconds) {}

    public function apply(Story $story): Story
    {
        $most = Rate::samples($this->seconds);
        foreach ($this->slides as $id) {
            $spans = $story->slide($id)->voice ?? [];
            $left = [];
            foreach (VoiceThread::pauses($story, $spans) as [$from, $to]) {
                if ($to - $from > $most) {
                    $left = [...$left, ...VoiceThread::part($spans, $from + intdiv($most, 2), $to - ($most - intdiv($most, 2)))];
                }
            }
            $story = [] === $left ? $story : (new LeaveOut($id, $left))->apply($story);
        }

        return $story;
    }
}
