<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Pacing\PlacedSpan;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/**
 * When each word of a slide's script is said: by its pauses where there is a voice, else shared out by weight over the time that
 * the slide is seen alone. Words are counted from 0 on, as Units divides them.
 */
final readonly class WordTimes
{
    /**
     * @param bool                      $spoken whether there is a voice that says them
     * @param int                       $begin  milliseconds from the frame at which the slide begins to be seen
     * @param list<Unit>                $units
     * @param list<array{float, float}> $times  seconds from there: from and to, for each unit
     */
    private function __construct(public bool $spoken, public int $begin, public array $units, public array $times) {}

    public static function of(TimedSlide $timed, Story $story): self
    {
        $units = Units::of($timed->slide->script, $story->language);
        $speech = [] === $units ? null : Speech::of($story, $timed->voice);
        $begin = $speech->begin ?? intdiv(1000 * ($timed->start + $timed->comesIn), Rate::FPS);
        $seconds = $speech->seconds ?? Rate::seconds($timed->stay - $timed->comesIn);

        return new self(
            null !== $speech,
            $begin - intdiv($timed->start * 1000, Rate::FPS),
            $units,
            [] === $units ? [] : Alignment::of($units, $seconds, $speech->pauses ?? [], $speech->turns ?? []),
        );
    }

    /** @return list<float> seconds from the frame at which the slide begins to be seen, at which each word begins */
    public function starts(): array
    {
        return array_map(fn(array $time): float => $this->begin / 1000 + $time[0], $this->times);
    }

    /** Names all that a slide's times, and its cues but for its caption, are computed from. */
    public static function key(TimedSlide $timed, Story $story): string
    {
        $voices = array_map(
            static fn(PlacedSpan $span): array => [$span->from, $span->to, $story->voice($span->asset)?->toArray()],
            $timed->voice,
        );

        return hash('xxh128', serialize([$story->language, $timed->slide->script, $timed->stay, $timed->comesIn, $voices]));
    }
}
