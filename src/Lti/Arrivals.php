<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Enrolment;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Classroom\Staff;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Lti\Launch;
use Rhapsode\Core\Lti\Standing;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/** From a launch that is believed to the place that it leads to: who they are here, which class it is, which assignment. */
final readonly class Arrivals
{
    public function __construct(private EntityManagerInterface $entities, private Enrolment $enrolment, private Staff $staff, private Newcomers $newcomers) {}

    /**
     * Takes what they say, and all that needs no saying.
     *
     * @param User|null $signedIn whoever is signed in here already
     *
     * @throws Refused where the account that they name cannot be theirs
     */
    public function go(Arrival $arrival, ArrivalTold $told, ?User $signedIn): Arrived
    {
        return $this->entities->wrapInTransaction(function () use ($arrival, $told, $signedIn): Arrived {
            // Of two who come at once, the second finds what the first has made.
            $this->entities->refresh($arrival->platform, LockMode::PESSIMISTIC_WRITE);
            $launch = $arrival->launch() ?? throw new NotFoundHttpException();
            $person = $this->person($arrival->platform, $launch, $told, $signedIn);
            $course = null === $person ? null : $this->course($arrival->platform, $launch, $person, $told);
            $assignment = null;
            if (null !== $person && null !== $course) {
                $this->belong($course->classroom, $person, $launch);
                $assignment = $this->assignment($arrival, $launch, $course, $person, $told);
            }

            return new Arrived($launch, $person, $course?->classroom, $assignment);
        });
    }

    private function person(Platform $platform, Launch $launch, ArrivalTold $told, ?User $signedIn): ?User
    {
        $known = $this->entities->getRepository(KnownPerson::class)->findOneBy(['platform' => $platform, 'subject' => $launch->subject]);
        $role = $launch->standing->isStaff() ? Role::Teacher : Role::Student;
        if (null !== $known || null === $told->who || Standing::Neither === $launch->standing) {
            // Who was a student and teaches by now has another account for that.
            if (Role::Teacher === $role && Role::Student === $known?->person->role) {
                throw new Refused('lti.other-account');
            }

            return $known?->person;
        }
        if ('new' === $told->who) {
            return $this->newcomers->of($platform, $launch->subject, $launch->name, $role);
        }
        $person = $this->theirs($platform, $role, $signedIn);
        $this->newcomers->known($platform, $launch->subject, $person);

        return $person;
    }

    private function theirs(Platform $platform, Role $role, ?User $signedIn): User
    {
        if (null === $signedIn) {
            throw new Refused('lti.sign-in-first');
        }
        $teaches = \in_array($signedIn->role, [Role::Teacher, Role::Administrator], true);
        if (!$signedIn->school->id->equals($platform->school->id) || (Role::Teacher === $role ? !$teaches : Role::Student !== $signedIn->role)) {
            throw new Refused('lti.other-account');
        }
        // One account is one person of a platform: a second would hand in, and be marked, for the first.
        if (null !== $this->entities->getRepository(KnownPerson::class)->findOneBy(['platform' => $platform, 'person' => $signedIn])) {
            throw new Refused('lti.account-taken');
        }

        return $signedIn;
    }

    private function course(Platform $platform, Launch $launch, User $person, ArrivalTold $told): ?Course
    {
        if (null === $launch->course) {
            return null;
        }
        $course = $this->entities->getRepository(Course::class)->findOneBy(['platform' => $platform, 'course' => $launch->course]);
        $isOver = null !== $course?->classroom->archivedAt;
        if (Standing::Teaches === $launch->standing && null !== $told->class && (null === $course || $isOver)) {
            $title = trim($launch->courseTitle);
            $name = mb_substr('' === $title ? $platform->name : $title, 0, Limits::CLASSROOM);
            $classroom = 'new' === $told->class ? $this->enrolment->begin($name, $person) : $this->led($told->class, $person);
            $course ??= new Course($platform, $launch->course, $classroom);
            $course->classroom = $classroom;
            $this->entities->persist($course);
            $isOver = false;
        }
        if (null === $course || $isOver) {
            return null;
        }
        // Not every launch tells of it: one to choose a link does not.
        $course->names = $launch->names ?? $course->names;

        return $course;
    }

    private function led(string $id, User $person): Classroom
    {
        $found = Uuid::isValid($id) ? $this->entities->find(Classroom::class, $id) : null;

        return null !== $found && null === $found->archivedAt && Part::Lead === $found->part($person) ? $found : throw new NotFoundHttpException();
    }

    /** As the platform says: nobody is taken out, and nobody who leads becomes a helper. */
    private function belong(Classroom $classroom, User $person, Launch $launch): void
    {
        if (Role::Student === $person->role) {
            if (Standing::Learns === $launch->standing) {
                $this->enrolment->take($classroom, $person);
            }

            return;
        }
        $part = match ($launch->standing) {
            Standing::Teaches => Part::Lead,
            Standing::Helps => Part::Helper,
            default => null,
        };
        if (null !== $part && null === $classroom->part($person)) {
            $this->staff->be($classroom, $person, $part);
        }
    }

    private function assignment(Arrival $arrival, Launch $launch, Course $course, User $person, ArrivalTold $told): ?Assignment
    {
        if (null !== $launch->deepLinking) {
            $arrival->chosen = null === $told->task ? $arrival->chosen : $this->taskOf($course, $told->task) ?? throw new NotFoundHttpException();

            return $arrival->chosen;
        }
        if (null === $launch->link) {
            return null;
        }
        $link = $this->entities->getRepository(TaskLink::class)->findOneBy(['course' => $course, 'link' => $launch->link]);
        // The course may be another class by now, as in a new year.
        $known = $link?->assignment->classroom === $course->classroom ? $link->assignment : null;
        $leads = Part::Lead === $course->classroom->part($person) && Standing::Teaches === $launch->standing;
        $told = $leads && null !== $told->task ? $this->taskOf($course, $told->task) ?? throw new NotFoundHttpException() : null;
        $made = $told ?? (null === $known && null !== $launch->assignment ? $this->taskOf($course, $launch->assignment) : null);
        if (null !== $made) {
            $link ??= new TaskLink($course, $launch->link, $made);
            $link->assignment = $made;
            $this->entities->persist($link);
        }
        if (null !== $link) {
            $link->scores = $launch->scores ?? $link->scores;
        }

        return $made ?? $known;
    }

    private function taskOf(Course $course, string $id): ?Assignment
    {
        $found = Uuid::isValid($id) ? $this->entities->find(Assignment::class, $id) : null;

        return null !== $found && $found->classroom === $course->classroom && null === $found->putAwayAt ? $found : null;
    }
}
