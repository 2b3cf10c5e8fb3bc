<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** The reader's copy is older than the story: nothing was done. */
final class Stale extends \RuntimeException
{
    public function __construct(public readonly int $revision)
    {
        parent::__construct('stale');
    }
}
