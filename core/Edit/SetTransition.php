<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Transition;

/** How slides give way to the next one; null as the story's style says. */
final readonly class SetTransition implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private ?Transition $transition) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(transition: $this->transition));
    }
}
