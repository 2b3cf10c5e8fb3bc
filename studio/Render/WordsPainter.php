<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Words\TextDrawing;

/** Words, drawn once and laid on every frame; while they come, as far as they have come. */
final readonly class WordsPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedWords || $layer->block->isEmpty()) {
            return;
        }
        $height = $this->format->height;
        $png = $this->renditions->drawing(
            "{$layer->hash()}-{$height}",
            static fn(string $to) => (new TextDrawing())->paint($layer->block, $to, $height),
        );
        $on->lay($png, $layer->opacity(), new Coming($layer, $this->format));
    }
}
