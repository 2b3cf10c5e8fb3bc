<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\ShowsAsset;
use Rhapsode\Core\Plan\Scene;

/**
 * A run of frames that is made on its own: a scene alone, or a scene giving way to the next. $start is its first frame
 * in the film, $frames how many it has. Its name tells all that determines its pictures, so that a segment made once
 * serves every film that has the same.
 */
final readonly class Segment
{
    public string $name;

    /** @param (\Closure(string): string)|null $content names what an asset holds, by its id; null where an id holds one thing for ever */
    public function __construct(
        public Scene $scene,
        public ?Scene $next,
        public int $start,
        public int $frames,
        string $made,
        ?\Closure $content = null,
    ) {
        $this->name = substr(hash('sha256', json_encode([
            $made,
            $frames,
            self::determines($scene, $start, $frames),
            null === $next ? null : [self::determines($next, $start, $frames), $scene->transition->toArray()],
            ...null === $content ? [] : array_map($content, self::assets($scene, ...null === $next ? [] : [$next])),
        ], \JSON_THROW_ON_ERROR)), 0, 32);
    }

    /** @return non-empty-list<Scene> */
    public function scenes(): array
    {
        return null === $this->next ? [$this->scene] : [$this->scene, $this->next];
    }

    /** @return list<string> that its scenes show */
    private static function assets(Scene ...$scenes): array
    {
        $assets = [];
        foreach ($scenes as $scene) {
            foreach ($scene->layers as $layer) {
                $assets[] = $layer instanceof ShowsAsset ? $layer->asset() : null;
            }
        }

        return array_values(array_filter($assets, is_string(...)));
    }

    /** @return list<mixed> */
    private static function determines(Scene $scene, int $start, int $frames): array
    {
        $from = $start - $scene->start;

        return [$scene->ground, array_map(static fn(PlannedLayer $layer): array => [
            $layer->kind()->value,
            $layer->hash(),
            // What stands still looks the same whenever it is seen.
            $layer->isStill() ? null : [$from, $scene->gone() - $scene->start],
            array_map(static fn(Envelope $envelope): array => self::over($envelope, $from, $frames), $layer->envelopes()),
        ], $scene->layers)];
    }

    /** @return list<array{int, int, float, float}> */
    private static function over(Envelope $envelope, int $from, int $frames): array
    {
        return array_map(static fn(array $stretch): array => [
            $stretch[0] - $from, $stretch[1] - $from, round($envelope->at($stretch[0]), 6), round($envelope->at($stretch[1]), 6),
        ], $envelope->stretches($from, $from + $frames));
    }
}
