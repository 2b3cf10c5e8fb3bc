<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\CaptionPlace;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** The words on a picture and their height. What is null stays as it is. */
final readonly class SetCaption implements Edit
{
    public function __construct(private string $slide, private ?string $text, private ?CaptionPlace $place) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(caption: new Caption($this->text ?? $slide->caption->text, $this->place ?? $slide->caption->place)));
    }
}
