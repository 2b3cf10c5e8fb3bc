<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

/** Divides a film into segments and has the missing ones made. */
final readonly class MakeFilm
{
    public function __construct(public string $film) {}
}
