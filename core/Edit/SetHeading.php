<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Story;

/** The words of a title slide. An empty heading shows the story's title; what is null stays as it is. */
final readonly class SetHeading implements Edit
{
    public function __construct(private string $slide, private ?string $heading, private ?string $subtitle) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => SlideKind::Title === $slide->kind
            ? $slide->with(heading: $this->heading ?? $slide->heading, subtitle: $this->subtitle ?? $slide->subtitle)
            : throw new Refused('Only a title slide has a heading.'));
    }
}
