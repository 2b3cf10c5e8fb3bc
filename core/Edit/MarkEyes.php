<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Picture\RedEye;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Marks the eyes of the faces that were found in the pictures of some slides, so that what is red in them is mended. */
final readonly class MarkEyes implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, static function (Slide $slide) use ($story): Slide {
            foreach ($slide->pictures() as $layer) {
                $picture = $story->picture($layer->asset);
                if (null !== $picture && null === $picture->clip) {
                    $slide = $slide->withLayer($layer->with(recipe: $layer->recipe->withEyes(RedEye::marks($picture))));
                }
            }

            return $slide;
        });
    }
}
