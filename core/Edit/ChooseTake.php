<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Which recording a slide speaks with; null for none. A take not chosen is kept. */
final readonly class ChooseTake implements Edit
{
    public function __construct(private string $slide, private ?string $take) {}

    public function apply(Story $story): Story
    {
        if (null !== $this->take && !isset($story->takes[$this->take])) {
            throw new Refused('The story does not hold that recording.');
        }

        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(take: $this->take));
    }
}
