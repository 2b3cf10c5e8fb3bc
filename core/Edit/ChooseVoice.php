<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Which take a slide speaks with, without the silence around its voice; null for none. A take not chosen is kept. */
final readonly class ChooseVoice implements Edit
{
    public function __construct(private string $slide, private ?string $asset) {}

    public function apply(Story $story): Story
    {
        $spans = [];
        if (null !== $this->asset) {
            $voice = $story->voice($this->asset) ?? throw new Refused('edit.voice-gone');
            $spans = [new Span($voice->id, $voice->from, $voice->to)];
        }

        return OnSlides::change($story, [$this->slide], static fn(Slide $slide): Slide => $slide->with(voice: $spans));
    }
}
