<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Plan\Scene;

/** Puts the pictures in a scene's cells together on its ground, frame by frame. */
final readonly class MosaicPainter
{
    private Canvases $canvases;

    public function __construct(private Renditions $renditions, private Shape $shape, private FilmFormat $format)
    {
        $this->canvases = new Canvases();
    }

    /** @return \Closure(int): string its frames by those of the film, planar yuv420p of the film's size */
    public function frames(Mosaic $mosaic, Scene $scene): \Closure
    {
        $ground = Canvas::plain($scene->ground, $this->format->width, $this->format->height);
        $cells = array_map(fn(PlannedPicture $picture): array => [
            $inset = new Inset($picture->box ?? Frame::all(), $ground, $this->format->width, $this->format->height, true),
            $this->cell($picture, $scene, $inset),
            new FromGround($scene->ground, $inset->width, $inset->height),
            $picture->opacity(),
        ], $mosaic->pictures);

        return static function (int $frame) use ($cells, $ground, $scene): string {
            $put = $ground;
            foreach ($cells as [$inset, $at, $fade, $opacity]) {
                $seen = $opacity->at($frame - $scene->start);
                if ($seen > 0) {
                    $put = $inset->with($seen < 1 ? $fade->seen($at($frame), $seen) : $at($frame), $put);
                }
            }

            return $put;
        };
    }

    public function paint(Mosaic $mosaic, ScenePainting $on, Scene $scene, ?string $moving): void
    {
        $on->cover($moving ?? $on->frame($this->frames($mosaic, $scene)($scene->start)), null === $moving);
    }

    /** @return \Closure(int): string one of them, by frames of the film; planar yuv420p of its own size */
    private function cell(PlannedPicture $picture, Scene $scene, Inset $inset): \Closure
    {
        if (null !== $picture->clip) {
            $clip = new ClipFrames($picture, $picture->clip, $this->renditions, $this->shape, $inset->width, $inset->height, $inset->part);

            return static fn(int $frame): string => $clip->at($frame, $scene);
        }
        $path = $this->renditions->picture($picture->rendition, $this->shape);
        $canvas = $this->canvases->of($path, $inset->width, $inset->height, $picture->move->nearest());
        if ($picture->move->isStill()) {
            $still = $canvas->frame($picture->move->opensOn->within($inset->part));

            return static fn(int $frame): string => $still;
        }

        return static fn(int $frame): string => $canvas->frame($picture->move->at($scene->progress($frame))->within($inset->part));
    }
}
