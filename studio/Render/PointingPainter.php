<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Tool\Tool;

/** What somebody pointed with: drawn once by librsvg, and moved over the frames. */
final readonly class PointingPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private Shape $shape, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedPointing) {
            return;
        }
        $scale = min($this->format->width, $this->format->height) / 720;
        [$width, $height] = array_map(static fn(int $side): int => 2 * (int) round($side * $scale / 2), $layer->form->ground($this->shape));
        $svg = $layer->form->svg($this->shape);
        $drawing = $this->renditions->drawing(
            substr(hash('sha256', $svg . $width), 0, 24),
            static function (string $to) use ($svg, $width, $height): void {
                Tool::run(
                    ['rsvg-convert', '--format', 'png', '--width', (string) $width, '--height', (string) $height, '--output', $to],
                    60,
                    3000,
                    $svg,
                );
            },
        );
        $on->point($drawing, $width, $height, $layer);
    }
}
