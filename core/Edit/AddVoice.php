<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Story\Story;

/** Puts a measured take into the story and lets a slide speak with it. Earlier takes stay. */
final readonly class AddVoice implements Edit
{
    public function __construct(private Voice $voice, private ?string $slide) {}

    public function apply(Story $story): Story
    {
        $story = $story->withAsset($this->voice);

        return null === $this->slide || null === $story->indexOf($this->slide)
            ? $story
            : (new ChooseVoice($this->slide, $this->voice->id))->apply($story);
    }
}
