<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** A school's classes and who is in them, as its own files tell it. */
final readonly class Roster
{
    /**
     * @param list<RosterClass>           $classes
     * @param array<string, RosterPerson> $people  by their ids: all who are in a class or teach one
     */
    public function __construct(public array $classes, public array $people) {}
}
