<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** The stretches of voice that a slide speaks, one after another. What is left out is kept. */
final readonly class SetVoice implements Edit
{
    /** @param list<Span> $spans */
    public function __construct(private string $slide, private array $spans) {}

    public function apply(Story $story): Story
    {
        foreach ($this->spans as $span) {
            if ($span->to > ($story->voice($span->asset)->samples ?? 0)) {
                throw new Refused('edit.voice-shorter');
            }
        }

        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(voice: $this->spans));
    }
}
