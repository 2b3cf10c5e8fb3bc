<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Tool\Tool;

/** Weather and light: each depth of it is drawn once by librsvg, and passes over the frames. */
final readonly class DriftPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedDrift) {
            return;
        }
        [$width, $height] = [$this->format->width, $this->format->height];
        $svg = $layer->sheet->svg($width, $height);
        $sheet = $this->renditions->drawing(
            substr(hash('sha256', $svg), 0, 24),
            static function (string $to) use ($svg): void {
                Tool::run(['rsvg-convert', '--format', 'png', '--output', $to], 60, 3000, $svg);
            },
        );
        $on->pass($sheet, $layer->colour, $layer->cover, $layer->step(), $layer->since);
    }
}
