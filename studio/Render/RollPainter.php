<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

/** Credits that roll: drawn once, as tall as they are, and moved over the frames. */
final readonly class RollPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if ($layer instanceof PlannedRoll) {
            $on->roll(WordsPainter::drawing($this->renditions, $layer->block, $this->format), $layer->top);
        }
    }
}
