<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** The words on a picture and their height. */
final readonly class SetCaption implements Edit
{
    public function __construct(private string $slide, private Caption $caption) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(caption: $this->caption));
    }
}
