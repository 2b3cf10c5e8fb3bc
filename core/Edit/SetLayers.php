<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Changes what is told of all layers of a kind on some slides: their pictures are shown whole, or stand still. */
final readonly class SetLayers implements Edit
{
    /**
     * @param list<string>         $slides
     * @param array<string, mixed> $changes
     */
    public function __construct(private array $slides, private LayerKind $kind, private array $changes) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(layers: array_map(
            fn(Layer $layer): Layer => $layer->kind() === $this->kind ? SetLayer::changed(
                $this->kind,
                $layer->id(),
                $layer,
                $this->changes,
            ) : $layer,
            $slide->layers,
        )));
    }
}
