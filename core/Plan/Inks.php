<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\TextBlock;

/** The colours of letters that stand on the bare ground: those on pictures were set with what lies under them, an edge is read by itself. */
final class Inks
{
    /**
     * @param list<PlannedLayer> $layers
     *
     * @return list<string> #rrggbb, each once
     */
    public static function bare(array $layers): array
    {
        $lines = array_merge(...array_map(static fn(PlannedLayer $layer): array => self::block($layer)->lines ?? [], $layers));
        $bare = array_filter($lines, static fn(Line $line): bool => null === $line->edge);

        return array_values(array_unique(array_map(static fn(Line $line): string => $line->colour, $bare)));
    }

    private static function block(PlannedLayer $layer): ?TextBlock
    {
        return match (true) {
            $layer instanceof PlannedRoll => $layer->block,
            $layer instanceof PlannedWords && null === $layer->place && !$layer->isLit => $layer->block,
            default => null,
        };
    }
}
