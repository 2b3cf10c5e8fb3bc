<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** There was no room for it: nothing was done, and it may be asked again when there is. */
final class DiskFull extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('The disk is full.');
    }
}
