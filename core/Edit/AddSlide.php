<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Puts a new slide after another, or first. What it names must be in the story (Story::checked()). */
final readonly class AddSlide implements Edit
{
    public function __construct(private Slide $slide, private ?string $after) {}

    public function apply(Story $story): Story
    {
        if (null !== $story->indexOf($this->slide->id)) {
            throw new Refused('edit.slide-twice');
        }
        if (\count($story->slides) >= Limits::SLIDES) {
            throw new Refused('edit.slides-full', ['most' => Limits::SLIDES]);
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
