<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

/** What somebody does in a class that they teach. */
final readonly class PartTold
{
    public function __construct(public Part $part) {}
}
