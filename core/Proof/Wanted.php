<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** What an assignment asks of a story: how long its film is, in seconds, and how many letters stand on a picture at most (null: as many as fit). */
final readonly class Wanted
{
    public function __construct(public int $least, public int $most, public ?int $letters = null) {}
}
