<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\PlannedBackdrop;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

/** The picture on the ground of a slide: one frame, mixed with the ground. */
final readonly class BackdropPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private Shape $shape, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedBackdrop) {
            return;
        }
        [$width, $height] = [$this->format->width, $this->format->height];
        $canvas = (new Canvases())->of($this->renditions->picture($layer->rendition, $this->shape), $width, $height, $layer->frame->width);
        $on->cover($on->frame((new FromGround($layer->ground, $width, $height))->seen($canvas->frame($layer->frame), $layer->share)), true);
    }
}
