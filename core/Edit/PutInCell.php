<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Puts what a slide shows into one of its cells; what lies there changes places with it. */
final readonly class PutInCell implements Edit
{
    public function __construct(private string $slide, private string $layer, private int $cell) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide): Slide {
            $moved = $slide->layer($this->layer);
            if (null === $moved || $this->cell >= $slide->layout->cells()) {
                throw new Refused('edit.no-arrangement');
            }
            $there = array_values(array_filter($slide->layers, fn(Layer $layer): bool => $layer->cell() === $this->cell))[0] ?? null;
            $slide = null === $there || $there === $moved ? $slide : $slide->withLayer($there->inCell($moved->cell()));

            return $slide->withLayer($moved->inCell($this->cell));
        });
    }
}
