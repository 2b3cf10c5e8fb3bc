<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Whether the silence before and after the voice of a slide is left out. What is cut out in between stays cut. */
final readonly class SetTrim implements Edit
{
    public function __construct(private string $slide, private bool $trimmed) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide) use ($story): Slide {
            $spans = $slide->voice;
            $last = \count($spans) - 1;
            foreach ($spans as $i => $span) {
                $voice = $story->voice($span->asset);
                if (null !== $voice) {
                    $from = 0 === $i ? ($this->trimmed ? min($voice->from, $span->to - 1) : 0) : $span->from;
                    $to = $last === $i ? ($this->trimmed ? max($voice->to, $from + 1) : $voice->samples) : $span->to;
                    $spans[$i] = new Span($span->asset, $from, $to);
                }
            }

            return $slide->with(voice: $spans);
        });
    }
}
