<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Puts slides that were copied, perhaps in another story, after a slide, or first. */
final readonly class PasteSlides implements Edit
{
    /**
     * @param list<Slide> $slides
     * @param list<Asset> $assets what they show and speak with; what the story has already stays as it is
     */
    public function __construct(private array $slides, private ?string $after, private array $assets = []) {}

    public function apply(Story $story): Story
    {
        foreach ($this->assets as $asset) {
            $story = isset($story->assets[$asset->id]) ? $story : $story->withAsset($asset);
        }
        $after = $this->after;
        foreach ($this->slides as $slide) {
            $story = (new AddSlide($slide, $after))->apply($story);
            $after = $slide->id;
        }

        return $story;
    }
}
