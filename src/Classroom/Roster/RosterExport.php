<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Roster;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Classroom\Part;
use Rhapsode\Core\Classroom\Roster;
use Rhapsode\Core\Classroom\RosterClass;
use Rhapsode\Core\Classroom\RosterPerson;

/** A school as a roster: what its own files call somebody they are called again. */
final readonly class RosterExport
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function of(School $school): Roster
    {
        $people = $in = [];
        $person = static function (User $user) use (&$people): string {
            $id = $user->sourcedId ?? (string) $user->id;
            $people[$id] = new RosterPerson($id, $user->firstName);

            return $id;
        };
        $classes = $this->entities->getRepository(Classroom::class)->findBy(['school' => $school], ['name' => 'ASC', 'id' => 'ASC']);
        foreach ($this->entities->getRepository(Membership::class)->findBy(['classroom' => $classes]) as $one) {
            if (null !== $one->key) {
                $in[(string) $one->classroom->id][] = $person($one->student);
            }
        }
        $told = [];
        foreach ($classes as $one) {
            $teachers = [];
            foreach ($one->teachings as $teaching) {
                // Whoever helps is on no school's roster.
                if (Part::Lead === $teaching->part) {
                    $teachers[] = $person($teaching->teacher);
                }
            }
            $told[] = new RosterClass($one->sourcedId ?? (string) $one->id, $one->name, $in[(string) $one->id] ?? [], $teachers);
        }

        return new Roster($told, $people);
    }
}
