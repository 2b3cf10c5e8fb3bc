<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Sound\Steps;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Puts one take into the story that was spoken for many slides in one go: each speaks its own stretch of it. */
final readonly class AddRunThrough implements Edit
{
    public function __construct(private Voice $voice, private Steps $steps) {}

    public function apply(Story $story): Story
    {
        $story = $story->withAsset($this->voice);
        foreach ($this->steps->spans($this->voice) as $id => $span) {
            // A slide that was deleted meanwhile says nothing.
            if (null !== $story->indexOf((string) $id)) {
                $story = OnSlides::change($story, [(string) $id], static fn(Slide $slide): Slide => $slide->with(voice: [$span]));
            }
        }

        return $story;
    }
}
