<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Takes a layer off its slide; where it was one of several in cells, the others have more room. */
final readonly class DeleteLayer implements Edit
{
    public function __construct(private string $slide, private string $layer) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide): Slide {
            $cell = $slide->layer($this->layer)?->cell();
            $slide = $slide->with(
                layers: array_values(array_filter($slide->layers, fn(Layer $layer): bool => $layer->id() !== $this->layer)),
            );
            $left = \count(array_filter($slide->layers, static fn(Layer $layer): bool => null !== $layer->cell()));

            return null === $cell ? $slide : Arrange::arranged($slide, Layout::holding($left));
        });
    }
}
