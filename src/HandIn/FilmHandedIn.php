<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Shared\Body\Identifier;

final readonly class FilmHandedIn
{
    public function __construct(#[Identifier] public string $film) {}
}
