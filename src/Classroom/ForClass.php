<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

/** The class that a task is copied to. */
final readonly class ForClass
{
    public function __construct(public string $classroom) {}
}
