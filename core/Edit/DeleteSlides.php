<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Takes slides out of the story. Their pictures and takes stay among the makings, so that nothing is lost. */
final readonly class DeleteSlides implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides) {}

    public function apply(Story $story): Story
    {
        OnSlides::mustHave($story, $this->slides);

        return $story->with(
            slides: array_values(array_filter($story->slides, fn(Slide $slide): bool => !$this->goes($slide))),
            beds: array_values(array_filter(array_map(fn(Bed $bed): ?Bed => $this->kept($bed, $story), $story->beds))),
        );
    }

    private function goes(Slide $slide): bool
    {
        return \in_array($slide->id, $this->slides, true);
    }

    /** A bed draws back to the slides that stay; null when none of its own do. */
    private function kept(Bed $bed, Story $story): ?Bed
    {
        $first = null === $bed->from ? 0 : $story->indexOf($bed->from) ?? 0;
        $last = null === $bed->to ? \count($story->slides) - 1 : $story->indexOf($bed->to) ?? \count($story->slides) - 1;
        $stay = array_values(
            array_filter(\array_slice($story->slides, $first, $last - $first + 1), fn(Slide $slide): bool => !$this->goes($slide)),
        );
        if ([] === $stay) {
            return null === $bed->from && null === $bed->to ? $bed : null;
        }

        return $bed->with(from: null === $bed->from ? null : $stay[0]->id, to: null === $bed->to ? null : $stay[\count($stay) - 1]->id);
    }
}
