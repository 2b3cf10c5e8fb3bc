<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Puts a measured take into the story and lets a slide speak with it, or a part of that. Earlier takes stay. */
final readonly class AddVoice implements Edit
{
    /** @param Around|null $around what the slide speaks besides; null for nothing */
    public function __construct(private Voice $voice, private ?string $slide, private ?Around $around = null) {}

    public function apply(Story $story): Story
    {
        $story = $story->withAsset($this->voice);
        if (null === $this->slide || null === $story->indexOf($this->slide)) {
            return $story;
        }
        if (null === $this->around) {
            return (new ChooseVoice($this->slide, $this->voice->id))->apply($story);
        }
        $spans = $this->around->with(new Span($this->voice->id, $this->voice->from, $this->voice->to), $story);

        return OnSlides::change($story, [$this->slide], static fn(Slide $slide): Slide => $slide->with(voice: $spans));
    }
}
