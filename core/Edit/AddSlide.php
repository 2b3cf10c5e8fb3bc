<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Puts a new slide after another, or first. */
final readonly class AddSlide implements Edit
{
    public function __construct(private Slide $slide, private ?string $after) {}

    public function apply(Story $story): Story
    {
        if (null !== $story->indexOf($this->slide->id)) {
            throw new Refused('That slide is in the story already.');
        }
        if (\count($story->slides) >= Story::MAX_SLIDES) {
            throw new Refused(\sprintf('A story holds at most %d slides.', Story::MAX_SLIDES));
        }
        if (null !== $this->slide->picture && !isset($story->pictures[$this->slide->picture])) {
            throw new Refused('The story does not hold that picture.');
        }
        if (null !== $this->slide->take && !isset($story->takes[$this->slide->take])) {
            throw new Refused('The story does not hold that recording.');
        }
        $at = 0;
        if (null !== $this->after) {
            OnSlides::mustHave($story, [$this->after]);
            $at = (int) $story->indexOf($this->after) + 1;
        }
        $slides = $story->slides;
        array_splice($slides, $at, 0, [$this->slide]);

        return $story->with(slides: $slides);
    }
}
