<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** That a teacher is to choose what a link of the platform leads to: where the answer goes, and what it has to give back. */
final readonly class DeepLinking
{
    public function __construct(public string $back, public ?string $data, public bool $takesScores) {}
}
