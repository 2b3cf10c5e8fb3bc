<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;

/** Who belongs to which class. */
final readonly class Members
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @return list<User> by their first names */
    public function of(Classroom $classroom): array
    {
        $students = array_map(
            static fn(Membership $m): User => $m->student,
            $this->entities->getRepository(Membership::class)->findBy(['classroom' => $classroom]),
        );
        usort($students, static fn(User $a, User $b): int => strcoll($a->firstName, $b->firstName));

        return $students;
    }

    /** @return list<Classroom> */
    public function classesOf(User $student): array
    {
        return array_map(
            static fn(Membership $m): Classroom => $m->classroom,
            $this->entities->getRepository(Membership::class)->findBy(['student' => $student]),
        );
    }

    public function belongs(User $student, Classroom $classroom): bool
    {
        return null !== $this->entities->getRepository(Membership::class)->findOneBy(['student' => $student, 'classroom' => $classroom]);
    }
}
