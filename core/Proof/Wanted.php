<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** What an assignment asks of a story: how long its film is, in seconds, and how many letters stand on a picture at most (null: as many as fit). */
final readonly class Wanted
{
    public function __construct(public int $least, public int $most, public ?int $letters = null) {}

    /** @return 'too-short'|'too-long'|null what a film of that many seconds is; null where it is as long as was asked for */
    public function length(float $seconds): ?string
    {
        return match (true) {
            $seconds < $this->least => 'too-short',
            $seconds > $this->most => 'too-long',
            default => null,
        };
    }
}
