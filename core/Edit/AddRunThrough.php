<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\MadeFor;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Sound\Steps;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Puts one take into the story that was spoken for many slides in one go: each speaks its own stretch of it. */
final readonly class AddRunThrough implements Edit
{
    public function __construct(private Voice $voice, private Steps $steps) {}

    public function apply(Story $story): Story
    {
        $spans = $this->steps->spans($this->voice);
        $madeFor = array_map(
            static fn(string|int $id, Span $span): MadeFor => new MadeFor((string) $id, $span->from, $span->to),
            array_keys($spans),
            $spans,
        );
        $story = $story->withAsset($this->voice->withTake($this->voice->take->with(madeFor: $madeFor)));
        foreach ($spans as $id => $span) {
            // A slide that was deleted meanwhile says nothing.
            if (null !== $story->indexOf((string) $id)) {
                $story = OnSlides::change($story, [(string) $id], static fn(Slide $slide): Slide => $slide->with(voice: [$span]));
            }
        }

        return $story;
    }
}
