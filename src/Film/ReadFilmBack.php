<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

/** Plays a film that is made from its beginning to its end. */
final readonly class ReadFilmBack
{
    public function __construct(public string $film) {}
}
