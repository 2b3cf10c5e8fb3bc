<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Take;

/** Takes a measured recording into the story and lets a slide speak with it. Earlier takes stay. */
final readonly class AddTake implements Edit
{
    public function __construct(private Take $take, private ?string $slide) {}

    public function apply(Story $story): Story
    {
        $story = $story->with(takes: [...$story->takes, $this->take->id => $this->take]);

        return null === $this->slide || null === $story->indexOf($this->slide)
            ? $story
            : (new ChooseTake($this->slide, $this->take->id))->apply($story);
    }
}
