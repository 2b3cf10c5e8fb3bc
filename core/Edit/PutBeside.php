<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Shows a picture of the story on a slide beside what that shows: in a cell in which nothing lies, or in an arrangement with one more. */
final readonly class PutBeside implements Edit
{
    public function __construct(private string $slide, private string $asset) {}

    public function apply(Story $story): Story
    {
        $picture = $story->picture($this->asset) ?? throw new Refused('edit.asset-gone');

        return OnSlides::change($story, [$this->slide], static function (Slide $slide) use ($picture): Slide {
            if ($slide->layout->isWordsAlone()) {
                throw new Refused('edit.no-arrangement');
            }
            $new = new PictureLayer($slide->freeId('picture'), $picture->id);
            if (Layout::Full === $slide->layout && null === $slide->picture()) {
                return $slide->withLayer($new);
            }
            if ([] === $slide->emptyCells()) {
                $things = \count(array_filter(
                    $slide->layers,
                    static fn(Layer $layer): bool => null !== $layer->cell() || $layer instanceof PictureLayer,
                ));
                if ($things >= Limits::CELLS) {
                    throw new Refused('edit.cells-full', ['most' => Limits::CELLS]);
                }
                $slide = Arrange::arranged($slide, Layout::holding($things + 1));
            }

            return $slide->withLayer($new->inCell($slide->emptyCells()[0]));
        });
    }
}
