<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

final readonly class DoneTold
{
    public function __construct(public bool $isDone) {}
}
