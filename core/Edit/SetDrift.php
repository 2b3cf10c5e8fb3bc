<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What of weather or light passes over some slides; null for nothing. */
final readonly class SetDrift implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private ?Drift $drift) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(drift: $this->drift));
    }
}
