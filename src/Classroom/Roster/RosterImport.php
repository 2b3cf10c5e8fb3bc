<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Roster;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Enrolment;
use Rhapsode\App\Classroom\Invitations;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Classroom\Teaching;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\Roster;
use Rhapsode\Core\Classroom\RosterPerson;

/**
 * Brings a school's roster in. Whom and what is known already, by what the school calls it in its files, stays as it is and gets what
 * is new; nobody is taken out: what a file lacks may be a mistake, and costs a child their work's class. Students have nothing to
 * come in with until their teacher makes their cards.
 */
final class RosterImport
{
    /** @var array<string, Classroom> by what the school calls them */
    private array $classes = [];
    /** @var array<string, User> */
    private array $people = [];
    /** @var array<string, array<string, Membership>> who is in a class, by the class's id and their keys */
    private array $in = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly Enrolment $enrolment,
        private readonly Invitations $invitations,
    ) {}

    public function bring(School $school, Roster $roster): Brought
    {
        $this->classes = $this->people = $this->in = [];

        return $this->entities->wrapInTransaction(function () use ($school, $roster): Brought {
            // Two at once: one after the other, and the second finds all that the first brought.
            $this->entities->lock($school, LockMode::PESSIMISTIC_WRITE);
            $this->look($school, $roster);
            $classes = $students = 0;
            foreach ($roster->classes as $one) {
                $classes += isset($this->classes[$one->id]) ? 0 : 1;
                $this->classes[$one->id] ??= $this->begun($school, $one->id, $one->name);
                $students += $this->enrol($this->classes[$one->id], array_values(array_intersect_key($roster->people, array_flip($one->students))));
            }

            return new Brought($classes, $students, $this->invite($school, $roster));
        });
    }

    private function look(School $school, Roster $roster): void
    {
        $known = ['school' => $school, 'sourcedId' => array_map(static fn(mixed $one): string => $one->id, $roster->classes)];
        foreach ($this->entities->getRepository(Classroom::class)->findBy($known) as $one) {
            $this->classes[(string) $one->sourcedId] = $one;
            $this->in[(string) $one->id] = [];
        }
        $known = ['school' => $school, 'sourcedId' => array_map(strval(...), array_keys($roster->people))];
        foreach ($this->entities->getRepository(User::class)->findBy($known) as $one) {
            $this->people[(string) $one->sourcedId] = $one;
        }
        foreach ($this->entities->getRepository(Membership::class)->findBy(['classroom' => array_values($this->classes)]) as $one) {
            if (null !== $one->key) {
                $this->in[(string) $one->classroom->id][$one->key] = $one;
            }
        }
    }

    private function begun(School $school, string $id, string $name): Classroom
    {
        $classroom = $this->enrolment->classOf($school, $name);
        $classroom->sourcedId = $id;
        $this->in[(string) $classroom->id] = [];

        return $classroom;
    }

    /**
     * @param list<RosterPerson> $students
     *
     * @return int how many are in the class who were not
     */
    private function enrol(Classroom $classroom, array $students): int
    {
        $there = &$this->in[(string) $classroom->id];
        $isNew = fn(RosterPerson $one): bool => !isset($this->people[$one->id]);
        $new = array_values(array_filter($students, $isNew));
        $names = FirstName::apart(
            array_map(static fn(RosterPerson $one): array => ['first' => $one->first, 'more' => $one->more], $new),
            array_values(array_map(static fn(Membership $one): string => $one->student->firstName, $there)),
        );
        foreach ($new as $i => $one) {
            $user = new User($classroom->school, null, $names[$i], Role::Student);
            $user->sourcedId = $one->id;
            $this->entities->persist($user);
            $this->people[$one->id] = $user;
        }
        $came = 0;
        foreach ($students as $one) {
            $user = $this->people[$one->id];
            $isIn = [] !== array_filter($there, static fn(Membership $m): bool => $m->student === $user);
            if (Role::Student !== $user->role || $isIn) {
                continue;
            }
            if (isset($there[FirstName::key($user->firstName)])) {
                $this->tellApart($user, $one, $there);
            }
            $membership = $this->entities->find(Membership::class, ['classroom' => $classroom->id, 'student' => $user->id])
                ?? new Membership($user, $classroom);
            $membership->key = FirstName::key($user->firstName);
            $this->entities->persist($membership);
            $there[$membership->key] = $membership;
            ++$came;
        }

        return $came;
    }

    /**
     * Two who meet in a second class by the same name: one gets another, in all classes that they are in.
     *
     * @param array<string, Membership> $there who is in the second class
     */
    private function tellApart(User $user, RosterPerson $person, array $there): void
    {
        $theirs = array_filter($this->in, static fn(array $in): bool => \in_array($user, array_column($in, 'student'), true));
        $taken = array_column(array_merge(array_values($there), ...array_map(array_values(...), array_values($theirs))), 'student');
        [$name] = FirstName::apart([['first' => $person->first, 'more' => $person->more]], array_column($taken, 'firstName'));
        foreach ($theirs as $class => $in) {
            $own = $in[FirstName::key($user->firstName)];
            $own->key = FirstName::key($name);
            unset($this->in[$class][FirstName::key($user->firstName)]);
            $this->in[$class][$own->key] = $own;
        }
        $user->firstName = $name;
    }

    /** @return list<array{name: string, classes: list<string>, code: string}> for each teacher who has no account yet, a link */
    private function invite(School $school, Roster $roster): array
    {
        $teach = [];
        foreach ($roster->classes as $one) {
            foreach ($one->teachers as $id) {
                $teach[$id][] = $this->classes[$one->id];
            }
        }
        $links = [];
        foreach ($teach as $id => $classes) {
            $user = $this->people[$id] ?? null;
            if (null === $user) {
                $made = $this->invitations->make($school, Role::Teacher, classes: $classes, sourcedId: (string) $id);
                $person = $roster->people[$id];
                $links[] = [
                    'name' => trim("{$person->first} {$person->more}"),
                    'classes' => array_map(static fn(Classroom $c): string => $c->name, $classes),
                    'code' => $made['code'],
                ];
                continue;
            }
            foreach (Role::Student === $user->role ? [] : $classes as $classroom) {
                if (null === $classroom->part($user)) {
                    $classroom->teachings->add(new Teaching($user, $classroom, Part::Lead));
                }
            }
        }

        return $links;
    }
}
