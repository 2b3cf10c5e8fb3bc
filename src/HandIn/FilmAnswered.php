<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

/** A film is answered: said while the answer is being stored, so that what is to come of it is stored with it. */
final readonly class FilmAnswered
{
    public function __construct(public HandIn $handIn) {}
}
