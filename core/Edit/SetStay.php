<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** How long slides without a voice stay, in seconds; null for the usual time. */
final readonly class SetStay implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private ?float $stay) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(stay: $this->stay));
    }
}
