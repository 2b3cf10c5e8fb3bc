<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

/** All pictures in the cells of a scene: they are put together before anything is laid on them, and sent as one. */
final readonly class Mosaic
{
    /** @param non-empty-list<PlannedPicture> $pictures each with a box */
    public function __construct(public array $pictures) {}

    /** @return list<self|PlannedLayer> what a scene is painted of, back to front */
    public static function of(Scene $scene): array
    {
        $isInCell = static fn(PlannedLayer $layer): bool => $layer instanceof PlannedPicture && null !== $layer->box;
        $pictures = array_values(array_filter($scene->pictures(), $isInCell));
        $others = array_values(array_filter($scene->layers, static fn(PlannedLayer $layer): bool => !$isInCell($layer)));

        return [] === $pictures ? $others : [new self($pictures), ...$others];
    }

    public function isStill(): bool
    {
        foreach ($this->pictures as $picture) {
            if (!$picture->isStill() || \count($picture->opacity()->points) > 1) {
                return false;
            }
        }

        return true;
    }
}
