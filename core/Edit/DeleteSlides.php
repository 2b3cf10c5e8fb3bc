<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

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

        return $story->with(slides: array_values(array_filter(
            $story->slides,
            fn(Slide $slide): bool => !\in_array($slide->id, $this->slides, true),
        )));
    }
}
