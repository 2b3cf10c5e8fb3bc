<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** How long the assignment wants the film to be, in seconds. */
final readonly class LengthWanted
{
    public function __construct(public int $least, public int $most) {}
}
