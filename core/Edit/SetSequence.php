<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** How what lies in the cells of some slides comes: together, or one after another. */
final readonly class SetSequence implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private Sequence $sequence) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(sequence: $this->sequence));
    }
}
