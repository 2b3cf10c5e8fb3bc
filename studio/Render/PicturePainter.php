<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

/** Pictures over the whole slide: frames of a moving one are taken by its framing, a still one is one frame. */
final readonly class PicturePainter implements LayerPainter
{
    private Canvases $canvases;

    public function __construct(private Renditions $renditions, private Shape $shape, private FilmFormat $format)
    {
        $this->canvases = new Canvases();
    }

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        if (!$layer instanceof PlannedPicture || $layer->isStill()) {
            return null;
        }
        if (null !== $layer->clip) {
            $clip = new ClipFrames($layer, $layer->clip, $this->renditions, $this->shape, $this->format->width, $this->format->height);

            return static fn(int $frame): string => $clip->at($frame, $scene);
        }
        $canvas = $this->canvas($layer);

        return static fn(int $frame): string => $canvas->frame($layer->move->at($scene->progress($frame)));
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (null !== $moving) {
            $on->cover($moving, false);
        } elseif ($layer instanceof PlannedPicture) {
            $on->cover($on->frame($this->canvas($layer)->frame($layer->move->opensOn)), true);
        }
    }

    private function canvas(PlannedPicture $layer): Canvas
    {
        return $this->canvases->of(
            $this->renditions->picture($layer->rendition, $this->shape),
            $this->format->width,
            $this->format->height,
            $layer->move->nearest(),
        );
    }
}
