<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** Shares a length out evenly over slides without a voice: nine over 90 s are 10 s each. */
final readonly class ShareLength implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private float $seconds) {}

    public function apply(Story $story): Story
    {
        OnSlides::mustHave($story, $this->slides);
        $free = array_values(
            array_filter($story->slides, fn(Slide $s): bool => [] === $s->voice && \in_array($s->id, $this->slides, true)),
        );
        if ([] === $free) {
            throw new Refused('edit.all-spoken');
        }
        $shares = array_combine(
            array_map(static fn(Slide $s): string => $s->id, $free),
            Pacing::share(Rate::frames($this->seconds), \count($free)),
        );
        if ($this->seconds < Limits::LEAST_STAY * \count($free) || $this->seconds > Limits::MOST_STAY * \count($free)) {
            throw new Refused('edit.share-unfit');
        }

        return OnSlides::change(
            $story,
            array_map(strval(...), array_keys($shares)),
            static fn(Slide $slide): Slide => $slide->with(stay: Rate::seconds($shares[$slide->id])),
        );
    }
}
