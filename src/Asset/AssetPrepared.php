<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\Core\Asset\Asset;

/**
 * Something that came in is ready: its place takes it from here. A listener that refuses it has it refused, with its reason; one
 * that has put it in its place already, before a worker was lost, does nothing.
 */
final class AssetPrepared
{
    /** Whether it has found its place, where that is no story. */
    public bool $isPlaced = false;

    /** @param Asset|string $made the text of a file of captions */
    public function __construct(public readonly AssetRecord $record, public readonly Asset|string $made) {}
}
