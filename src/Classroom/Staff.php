<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Document\Refused;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Who teaches a class: somebody always leads it. */
final readonly class Staff
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** Somebody of the school teaches it, as that; twice is once. @throws Refused where nobody would lead it */
    public function be(Classroom $classroom, User $teacher, Part $part): void
    {
        if (!\in_array($teacher->role, [Role::Teacher, Role::Administrator], true) || !$teacher->school->id->equals($classroom->school->id)) {
            throw new NotFoundHttpException();
        }
        $this->alone($classroom, static function () use ($classroom, $teacher, $part): void {
            $now = self::of($classroom, $teacher);
            if (null === $now) {
                $classroom->teachings->add(new Teaching($teacher, $classroom, $part));

                return;
            }
            if (Part::Lead !== $part) {
                self::holdLead($classroom, $teacher);
            }
            $now->part = $part;
        });
    }

    /** What they answered stays. Twice is once. @throws Refused where nobody would lead it */
    public function leave(Classroom $classroom, User $teacher): void
    {
        $this->alone($classroom, function () use ($classroom, $teacher): void {
            $now = self::of($classroom, $teacher);
            if (null !== $now) {
                self::holdLead($classroom, $teacher);
                $classroom->teachings->removeElement($now);
                $this->entities->remove($now);
            }
        });
    }

    private static function of(Classroom $classroom, User $teacher): ?Teaching
    {
        return $classroom->teachings->findFirst(static fn(int $_, Teaching $one): bool => $one->teacher->is($teacher));
    }

    private static function holdLead(Classroom $classroom, User $without): void
    {
        if (!$classroom->teachings->exists(static fn(int $_, Teaching $one): bool => Part::Lead === $one->part && !$one->teacher->is($without))) {
            throw new Refused('class.nobody-leads');
        }
    }

    /** Of two changes at once the second knows of the first. @param \Closure(): void $change */
    private function alone(Classroom $classroom, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($classroom, $change): void {
            $this->entities->refresh($classroom, LockMode::PESSIMISTIC_WRITE);
            foreach ($classroom->teachings as $one) {
                $this->entities->refresh($one);
            }
            $change();
        });
    }
}
