<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Picture\PlannedMat;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Tool\Tool;

/** The corners of pictures in cells, and lines about them: drawn once by librsvg. */
final readonly class MatPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if ($layer instanceof PlannedMat) {
            $name = "{$layer->hash()}-{$this->format->width}x{$this->format->height}";
            $on->lay($this->renditions->drawing($name, fn(string $to) => $this->draw($layer, $to)), $layer->opacity());
        }
    }

    private function draw(PlannedMat $mat, string $to): void
    {
        [$width, $height] = [$this->format->width, $this->format->height];
        $paths = array_map(static fn(array $drawn): string => \sprintf(
            '<path d="%s" fill="%s" fill-rule="evenodd"/>',
            $drawn['path'],
            $drawn['colour'],
        ), $mat->paths($width, $height));
        $svg = \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d">%s</svg>',
            $width,
            $height,
            implode('', $paths),
        );
        Tool::run(['rsvg-convert', '--format', 'png', '--output', $to], 30, 3000, $svg);
    }
}
