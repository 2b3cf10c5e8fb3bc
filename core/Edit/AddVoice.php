<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\MadeFor;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Puts a measured take into the story and lets a slide speak with it, or a part of that. Earlier takes stay. */
final readonly class AddVoice implements Edit
{
    /** @param Around|null $around what it is spoken for of what the slide speaks; null for all */
    public function __construct(private Voice $voice, private ?string $slide, private ?Around $around = null) {}

    public function apply(Story $story): Story
    {
        $take = new Span($this->voice->id, $this->voice->from, $this->voice->to);
        $madeFor = null === $this->slide ? [] : [new MadeFor($this->slide, $take->from, $take->to)];
        $story = $story->withAsset($this->voice->withTake($this->voice->take->with(madeFor: $madeFor)));
        if (null === $this->slide || null === $story->indexOf($this->slide)) {
            return $story;
        }
        $spans = $this->around?->with($take, $story) ?? [$take];

        return OnSlides::change($story, [$this->slide], static fn(Slide $slide): Slide => $slide->with(voice: $spans));
    }
}
