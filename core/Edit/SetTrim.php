<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

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

            // A stop stays with what is said then, wherever the voice begins now.
            $earlier = ([] === $spans ? 0 : $slide->voice[0]->from - $spans[0]->from) / Rate::SAMPLES;

            return OnStops::change($slide->with(voice: $spans), static fn(Stop $stop): Stop => null === $stop->word
                ? Stop::atSecond($stop->frame, $stop->at + $earlier)
                : $stop);
        });
    }
}
