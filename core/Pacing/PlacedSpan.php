<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

/** Where a stretch of a voice is heard: from sample $at of the film, the samples $from to $to (exclusive) of the recording. */
final readonly class PlacedSpan
{
    public function __construct(public string $asset, public int $at, public int $from, public int $to) {}

    public function end(): int
    {
        return $this->at + $this->to - $this->from;
    }
}
