<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Whether the silence around the voice is left out. */
final readonly class SetTrim implements Edit
{
    public function __construct(private string $slide, private bool $trimmed) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(trimmed: $this->trimmed));
    }
}
