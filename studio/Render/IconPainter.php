<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Icon\PlannedIcon;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Tool\Tool;

/** Icons, drawn once by librsvg and laid on every frame. */
final readonly class IconPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if ($layer instanceof PlannedIcon) {
            $name = "{$layer->hash()}-{$this->format->width}x{$this->format->height}";
            $on->lay($this->renditions->drawing($name, fn(string $to) => $this->draw($layer, $to)), $layer->opacity());
        }
    }

    private function draw(PlannedIcon $icon, string $to): void
    {
        [$width, $height] = [$this->format->width, $this->format->height];
        $svg = \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d"><path transform="translate(%.3F %.3F) scale(%.6F %.6F)" d="%s" fill="%s" fill-rule="evenodd"/></svg>',
            $width,
            $height,
            $icon->box->x * $width,
            $icon->box->y * $height,
            $icon->box->width * $width / PlannedIcon::GROUND,
            $icon->box->height * $height / PlannedIcon::GROUND,
            $icon->path,
            $icon->colour,
        );
        Tool::run(['rsvg-convert', '--format', 'png', '--output', $to], 30, 3000, $svg);
    }
}
