<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Takes a prepared picture into the story and, if asked, shows it on a new slide (after another, or last). */
final readonly class AddPicture implements Edit
{
    public function __construct(private Picture $picture, private ?string $slide, private ?string $after = null) {}

    public function apply(Story $story): Story
    {
        $known = $story->pictures[$this->picture->id] ?? null;
        // What is known of its source stays known.
        $story = $story->with(pictures: [...$story->pictures, $this->picture->id => $known ?? $this->picture]);
        if (null === $this->slide) {
            return $story;
        }
        $last = array_key_last($story->slides);
        $after = null !== $this->after && null !== $story->indexOf($this->after)
            ? $this->after
            : (null === $last ? null : $story->slides[$last]->id);

        return (new AddSlide(new Slide($this->slide, picture: $this->picture->id), $after))->apply($story);
    }
}
