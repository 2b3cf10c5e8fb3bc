<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Fit;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Whether pictures fill the slide or are shown whole. */
final readonly class SetFit implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private Fit $fit) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(fit: $this->fit));
    }
}
