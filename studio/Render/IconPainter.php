<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Icon\PlannedIcon;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Icon\IconDrawings;
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
            $shown = null === $layer->picture ? '' : '-' . $this->renditions->content($layer->picture->id);
            $name = "{$layer->hash()}{$shown}-{$this->format->width}x{$this->format->height}";
            $on->lay($this->renditions->drawing($name, fn(string $to) => $this->draw($layer, $to)), $layer->opacity());
        }
    }

    private function draw(PlannedIcon $icon, string $to): void
    {
        [$width, $height] = [$this->format->width, $this->format->height];
        $svg = \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="%d" height="%d"><g transform="rotate(%d %.3F %.3F)">%s</g></svg>',
            $width,
            $height,
            $icon->turn,
            ($icon->box->x + $icon->box->width / 2) * $width,
            ($icon->box->y + $icon->box->height / 2) * $height,
            match (true) {
                null !== $icon->picture => $this->picture($icon, $this->renditions->file($icon->picture->id, $icon->file())),
                null !== $icon->path => $this->path($icon, $icon->path),
                default => $this->drawing($icon),
            },
        );
        Tool::run(['rsvg-convert', '--format', 'png', '--output', $to], 30, 3000, $svg);
    }

    private function picture(PlannedIcon $icon, string $file): string
    {
        return \sprintf(
            '<image x="%.3F" y="%.3F" width="%.3F" height="%.3F" preserveAspectRatio="none" xlink:href="data:image/%s;base64,%s"/>',
            $icon->box->x * $this->format->width,
            $icon->box->y * $this->format->height,
            $icon->box->width * $this->format->width,
            $icon->box->height * $this->format->height,
            str_ends_with($file, '.png') ? 'png' : 'jpeg',
            base64_encode((string) file_get_contents($file)),
        );
    }

    private function path(PlannedIcon $icon, string $path): string
    {
        [$width, $height] = [$this->format->width, $this->format->height];

        return \sprintf(
            '<path transform="translate(%.3F %.3F) scale(%.6F %.6F)" d="%s" fill="%s" fill-rule="evenodd"/>',
            $icon->box->x * $width,
            $icon->box->y * $height,
            $icon->box->width * $width / PlannedIcon::GROUND,
            $icon->box->height * $height / PlannedIcon::GROUND,
            $path,
            $icon->colour,
        );
    }

    /** One that the set has no more of is not seen. */
    private function drawing(PlannedIcon $icon): string
    {
        $placed = \sprintf(
            '<svg x="%.3F" y="%.3F" width="%.3F" height="%.3F" ',
            $icon->box->x * $this->format->width,
            $icon->box->y * $this->format->height,
            $icon->box->width * $this->format->width,
            $icon->box->height * $this->format->height,
        );

        return (string) preg_replace('/<svg /', $placed, IconDrawings::svg($icon->name, $icon->tint) ?? '', 1);
    }
}
