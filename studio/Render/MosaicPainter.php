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
        [$width, $height] = [$this->format->width, $this->format->height];
        $ground = Canvas::plain($scene->ground, $width, $height);
        $board = new Board($width, $height);
        $cells = array_map(fn(PlannedPicture $picture): \Closure => $this->cell($picture, $scene, $board), $mosaic->pictures);

        return static function (int $frame) use ($cells, $ground, $board): string {
            $board->fill($ground);
            foreach ($cells as $lay) {
                $lay($frame);
            }

            return $board->bytes();
        };
    }

    public function paint(Mosaic $mosaic, ScenePainting $on, Scene $scene, ?string $moving): void
    {
        $on->cover($moving ?? $on->frame($this->frames($mosaic, $scene)($scene->start)), null === $moving);
    }

    /** @return \Closure(int): void lays one of them upon the board as it is at a frame of the film */
    private function cell(PlannedPicture $picture, Scene $scene, Board $board): \Closure
    {
        $inset = new Inset($picture->box ?? Frame::all(), '', $this->format->width, $this->format->height, true);
        $place = $board->place($inset->left, $inset->top);
        $fade = new FromGround($scene->ground, $inset->width, $inset->height);
        $opacity = $picture->opacity();
        $canvas = null === $picture->clip ? $this->canvas($picture, $inset) : null;
        $clip = null === $picture->clip
            ? null
            : new ClipFrames($picture, $picture->clip, $this->renditions, $this->shape, $inset->width, $inset->height, $inset->part);

        return static function (int $frame) use ($board, $place, $inset, $fade, $opacity, $canvas, $clip, $picture, $scene): void {
            $seen = $opacity->at($frame - $scene->start);
            if ($seen <= 0) {
                return;
            }
            $framed = $picture->move->at($scene->progress($frame))->within($inset->part);
            if (null !== $canvas && $seen >= 1) {
                $canvas->show($framed);
                $board->lay($place, $canvas->planes());

                return;
            }
            $bytes = $canvas?->frame($framed) ?? $clip?->at($frame, $scene) ?? '';
            $board->put($place, $seen < 1 ? $fade->seen($bytes, $seen) : $bytes, $inset->width, $inset->height);
        };
    }

    private function canvas(PlannedPicture $picture, Inset $inset): Canvas
    {
        return $this->canvases->of(
            $this->renditions->picture($picture->rendition, $this->shape),
            $inset->width,
            $inset->height,
            $picture->move->nearest(),
        );
    }
}
