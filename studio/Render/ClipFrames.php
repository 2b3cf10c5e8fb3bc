<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\PlannedClip;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** The frames of a planned picture that moves: each is taken from its clip, mended, framed, and laid on its ground where it is shown whole. */
final readonly class ClipFrames
{
    private Scratch $scratch;
    private ClipReader $reader;
    private Canvas $canvas;
    private Frame $kept;
    private ?Inset $inset;

    public function __construct(
        private PlannedPicture $layer,
        private PlannedClip $clip,
        Renditions $renditions,
        Shape $shape,
        int $wide,
        int $high,
        private ?Frame $part = null,
    ) {
        $recipe = $clip->recipe;
        $mp4 = $renditions->clip($layer->rendition->asset);
        [$width, $height] = self::size($mp4);
        [$width, $height] = 0 === $recipe->turn % 180 ? [$width, $height] : [$height, $width];
        $this->scratch = new Scratch();
        $levels = $recipe->tone->clear ? $renditions->levels($layer->rendition->asset) : null;
        $this->reader = new ClipReader($mp4, ClipFilters::of($recipe, $levels, $this->scratch), intdiv($width * $height * 3, 2));
        $this->kept = self::kept($recipe, $width / $height);
        $this->inset = $clip->box->equals(Frame::all()) ? null : new Inset(
            $clip->box,
            Canvas::ofPicture($renditions->picture($layer->rendition, $shape), $wide, $high)->frame(Frame::all()),
            $wide,
            $high,
        );
        $this->canvas = Canvas::ofVideo($width, $height, $this->inset->width ?? $wide, $this->inset->height ?? $high);
    }

    /** What the recipe leaves of the turned clip. */
    private static function kept(Recipe $recipe, float $ratio): Frame
    {
        $inside = $recipe->inside($ratio);

        return Frame::about(0.5, 0.5, $inside, $inside)->within($recipe->crop ?? Frame::all());
    }

    /** @return string planar yuv420p of the size asked for, at a frame of the film */
    public function at(int $frame, Scene $scene): string
    {
        $this->canvas->refill($this->reader->frame($this->clip->frame($frame - $scene->start)));
        if (null === $this->inset) {
            $seen = $this->layer->move->at($scene->progress($frame));

            return $this->canvas->frame($this->kept->within(null === $this->part ? $seen : $seen->within($this->part)));
        }

        return $this->inset->with($this->canvas->frame($this->kept));
    }

    /** @return array{int, int} pixels */
    private static function size(string $mp4): array
    {
        [$said] = Tool::run([
            'ffprobe', '-v', 'error', '-select_streams', 'v:0', '-show_entries', 'stream=width,height', '-of',
            'csv=p=0', Tool::file($mp4),
        ], 30);
        [$width, $height] = array_map(intval(...), explode(',', trim($said) . ',0'));

        return [max(2, $width), max(2, $height)];
    }
}
