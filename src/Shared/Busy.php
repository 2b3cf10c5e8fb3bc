<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** As much as may be under way at once is under way: nothing was done, and the same may be asked again in a while. */
final class Busy extends \RuntimeException
{
    /** @param int $seconds after which to come again */
    public function __construct(public readonly int $seconds = 1)
    {
        parent::__construct('busy');
    }
}
