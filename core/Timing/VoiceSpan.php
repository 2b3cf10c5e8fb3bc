<?php

declare(strict_types=1);

namespace Rhapsode\Core\Timing;

/** Where a take's voice is heard: from sample $at of the film, the samples $from to $to (exclusive) of the take. */
final readonly class VoiceSpan
{
    public function __construct(public string $take, public int $at, public int $from, public int $to) {}

    public function end(): int
    {
        return $this->at + $this->to - $this->from;
    }
}
