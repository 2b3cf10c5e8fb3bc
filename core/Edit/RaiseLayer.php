<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Lays a layer before the next of its slide, or behind the one before; the first stays the first, and the last the last. */
final readonly class RaiseLayer implements Edit
{
    /** @param int $by 1 to the front, -1 to the back */
    public function __construct(private string $slide, private string $layer, private int $by) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide): Slide {
            $layers = $slide->layers;
            $at = array_search($this->layer, array_map(static fn(Layer $layer): string => $layer->id(), $layers), true);
            if (!\is_int($at)) {
                throw new Refused('edit.layer-gone');
            }
            [$moved] = array_splice($layers, $at, 1);
            array_splice($layers, max(0, $at + $this->by), 0, [$moved]);

            return $slide->with(layers: $layers);
        });
    }
}
