<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

/** Performs one kind of layer as it is planned. */
interface LayerPainter
{
    /**
     * What gives the frames of a layer that moves, by the frame of the film: planar yuv420p of the film's size. Null for a layer
     * that stands still.
     *
     * @return (\Closure(int): string)|null
     */
    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure;

    /** @param string|null $moving the label of its frames, where it has some */
    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void;
}
