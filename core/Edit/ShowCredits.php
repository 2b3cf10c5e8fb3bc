<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;

/** Whether the sources are credited at the end of the film. */
final readonly class ShowCredits implements Edit
{
    public function __construct(private bool $credits) {}

    public function apply(Story $story): Story
    {
        return $story->with(credits: $this->credits);
    }
}
