<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\Secret;

/** Who belongs to which class. */
final readonly class Members
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @return list<User> by their first names */
    public function of(Classroom $classroom): array
    {
        $students = array_map(
            static fn(Membership $m): User => $m->student,
            array_filter($this->entities->getRepository(Membership::class)->findBy(['classroom' => $classroom]), self::isIn(...)),
        );
        $order = new \Collator('root');
        usort($students, static fn(User $a, User $b): int => (int) $order->compare($a->firstName, $b->firstName));

        return $students;
    }

    /** @return list<Classroom> whose year is not over */
    public function classesOf(User $student): array
    {
        return array_values(array_filter(
            array_map(
                static fn(Membership $m): Classroom => $m->classroom,
                array_filter($this->entities->getRepository(Membership::class)->findBy(['student' => $student]), self::isIn(...)),
            ),
            static fn(Classroom $c): bool => null === $c->archivedAt,
        ));
    }

    /** @return list<Classroom> that somebody teaches, by name */
    public function taughtBy(User $teacher): array
    {
        // With who else teaches them, which whoever shows a class asks for next.
        /** @var list<Classroom> $classes */
        $classes = $this->entities->createQueryBuilder()->select('c', 't', 'other')->from(Classroom::class, 'c')
            ->join('c.teachings', 'own', 'WITH', 'own.teacher = :teacher')->join('c.teachings', 't')->join('t.teacher', 'other')
            ->setParameter('teacher', $teacher->id, 'uuid')->getQuery()->getResult();
        usort($classes, static fn(Classroom $a, Classroom $b): int => strnatcasecmp($a->name, $b->name));

        return $classes;
    }

    public function belongs(User $student, Classroom $classroom): bool
    {
        $membership = $this->entities->getRepository(Membership::class)->findOneBy(['student' => $student, 'classroom' => $classroom]);

        return null !== $membership && self::isIn($membership);
    }

    /** Who comes in by what their class is called and by their name in it, however both are typed; null where there is nobody. */
    public function called(string $class, string $name): ?User
    {
        $classroom = $this->entities->getRepository(Classroom::class)->findOneBy(['word' => Secret::meant($class)]);
        $key = FirstName::key($name);

        return null === $classroom || null !== $classroom->archivedAt || '' === $key
            ? null
            : $this->entities->getRepository(Membership::class)->findOneBy(['classroom' => $classroom, 'key' => $key])?->student;
    }

    private static function isIn(Membership $membership): bool
    {
        return null !== $membership->key;
    }
}
