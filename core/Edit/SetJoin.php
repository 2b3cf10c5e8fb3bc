<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Join;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** How slides join the next one. */
final readonly class SetJoin implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private Join $join) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(join: $this->join));
    }
}
