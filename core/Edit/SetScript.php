<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What is read aloud over a slide. */
final readonly class SetScript implements Edit
{
    public function __construct(private string $slide, private string $script) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(script: $this->script));
    }
}
