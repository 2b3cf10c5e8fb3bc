<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Takes a layer off its slide. */
final readonly class DeleteLayer implements Edit
{
    public function __construct(private string $slide, private string $layer) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(
            layers: array_values(array_filter($slide->layers, fn(Layer $layer): bool => $layer->id() !== $this->layer)),
        ));
    }
}
