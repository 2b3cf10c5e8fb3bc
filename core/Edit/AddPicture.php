<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/**
 * Puts a prepared picture into the story and, if asked, shows it on a slide: in place of its picture, or on a new one after the
 * first of some slides that is there, or last. Pictures that come in side by side each name all that they should follow, the
 * nearest first, and so keep their order.
 */
final readonly class AddPicture implements Edit
{
    /**
     * @param list<string> $after
     * @param string|null  $layer    in place of whose picture, on a slide that is there; null for the first
     * @param bool         $isBeside beside what a slide that is there shows, and not in its place
     */
    public function __construct(
        private Picture $picture,
        private ?string $slide,
        private array $after = [],
        private ?string $layer = null,
        private bool $isBeside = false,
    ) {}

    public function apply(Story $story): Story
    {
        // What is known of its source stays known.
        $story = isset($story->assets[$this->picture->id]) ? $story : $story->withAsset($this->picture);
        if (null === $this->slide) {
            return $story;
        }
        if (null !== $story->indexOf($this->slide)) {
            return ($this->isBeside
                ? new PutBeside($this->slide, $this->picture->id)
                : new SetPicture($this->slide, $this->picture->id, $this->layer))->apply($story);
        }
        $there = array_values(array_filter($this->after, static fn(string $id): bool => null !== $story->indexOf($id)));
        $last = array_key_last($story->slides);
        $after = $there[0] ?? (null === $last ? null : $story->slides[$last]->id);

        return (new AddSlide(Slide::showing($this->slide, $this->picture->id), $after))->apply($story);
    }
}
