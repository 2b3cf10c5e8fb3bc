<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** A class on a school's roster. */
final readonly class RosterClass
{
    /**
     * @param string       $id       what the school calls it in its files
     * @param list<string> $students by their ids
     * @param list<string> $teachers by their ids
     */
    public function __construct(public string $id, public string $name, public array $students, public array $teachers) {}
}
