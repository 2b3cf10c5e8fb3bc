<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Roster;

/** What a roster brought that was not there, and the links for teachers who have no account: told once. */
final readonly class Brought
{
    /** @param list<array{name: string, classes: list<string>, code: string}> $teachers */
    public function __construct(public int $classes, public int $students, public array $teachers) {}

    /** @return array{classes: int, students: int, teachers: list<array{name: string, classes: list<string>, code: string}>} */
    public function toArray(): array
    {
        return ['classes' => $this->classes, 'students' => $this->students, 'teachers' => $this->teachers];
    }
}
