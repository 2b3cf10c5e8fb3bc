<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

/** Makes one segment of a film. */
final readonly class MakeSegment
{
    public function __construct(public string $film, public string $name) {}
}
