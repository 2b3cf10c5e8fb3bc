<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Studio\Words\TextDrawing;

/** Words, drawn once and laid on every frame; while they come, as far as they have come. */
final readonly class WordsPainter implements LayerPainter
{
    public function __construct(private Renditions $renditions, private FilmFormat $format) {}

    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    /** @return string the PNG of words, drawn if need be */
    public static function drawing(Renditions $renditions, TextBlock $block, FilmFormat $format): string
    {
        return $renditions->drawing(
            "{$block->hash()}-{$format->height}",
            static fn(string $to) => (new TextDrawing())->paint($block, $to, $format->height),
        );
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedWords || $layer->block->isEmpty()) {
            return;
        }
        $on->lay(self::drawing($this->renditions, $layer->block, $this->format), $layer->opacity(), new Coming($layer, $this->format));
    }
}
