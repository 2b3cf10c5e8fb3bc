<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

/** Something of a person's waits to be made ready. Which it is, its worker looks up: the one that came first. */
final readonly class PrepareAssets
{
    public function __construct(public string $person) {}
}
