<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

/** Joins a film whose segments are all made. */
final readonly class ConcatenateFilm
{
    public function __construct(public string $film) {}
}
