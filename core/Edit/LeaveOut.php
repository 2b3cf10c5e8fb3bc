<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;

/**
 * Leaves stretches of a slide's voice out. What is cut close to a pause is cut in it, so that no sound is torn; and what happens at
 * a second of the voice stays with what is said then.
 */
final readonly class LeaveOut implements Edit
{
    /** Samples from a pause within which a cut is meant to lie in it. */
    private const CLOSE = 3840;
    /** Samples of a pause that stay on the side of a cut where somebody speaks. */
    private const MARGIN = 960;

    /** @param list<Span> $left of recordings: asked twice it is done once, and whatever else was cut meanwhile stays cut */
    public function __construct(private string $slide, private array $left) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide) use ($story): Slide {
            $stretches = $this->stretches($slide->voice, VoiceThread::pauses($story, $slide->voice));
            $left = VoiceThread::without($slide->voice, $stretches);

            return [] === $left && [] !== $slide->voice ? throw new Refused('edit.nothing-left') : OnStops::change(
                $slide->with(voice: $left),
                static fn(Stop $stop): Stop => null === $stop->word
                    ? Stop::atSecond($stop->frame, $stop->at - self::gone($stretches, $stop->at))
                    : $stop,
            );
        });
    }

    /**
     * @param list<Span>            $spans
     * @param list<array{int, int}> $pauses
     *
     * @return list<array{int, int}> of the thread, from and to (exclusive)
     */
    private function stretches(array $spans, array $pauses): array
    {
        $stretches = VoiceThread::places($spans, $this->left);
        $heard = array_sum(array_map(static fn(array $stretch): int => $stretch[1] - $stretch[0], $stretches));
        // What a cut in a pause has spared of it before is not meant.
        if ($heard <= 2 * (self::CLOSE + self::MARGIN) && 2 * $heard < VoiceThread::length($this->left)) {
            return [];
        }

        return array_map(static function (array $stretch) use ($pauses): array {
            $quiet = array_map(static fn(int $at): int => self::inPause($pauses, $at), $stretch);

            return $quiet[0] < $quiet[1] ? $quiet : $stretch;
        }, $stretches);
    }

    /** @param list<array{int, int}> $pauses */
    private static function inPause(array $pauses, int $at): int
    {
        foreach ($pauses as [$from, $to]) {
            $margin = min(self::MARGIN, intdiv($to - $from, 2));
            $near = max($from + $margin, min($to - $margin, $at));
            if (abs($near - $at) <= self::CLOSE) {
                return $near;
            }
        }

        return $at;
    }

    /**
     * @param list<array{int, int}> $stretches
     *
     * @return float seconds that are left out before a second of the voice
     */
    private static function gone(array $stretches, float $at): float
    {
        $place = Rate::samples($at);

        return array_sum(array_map(
            static fn(array $stretch): int => max(0, min($place, $stretch[1]) - $stretch[0]),
            $stretches,
        )) / Rate::SAMPLES;
    }
}
