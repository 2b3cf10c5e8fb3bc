<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Random\Randomizer;
use Rhapsode\App\Account\Card;
use Rhapsode\App\Account\ChildSecrets;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\CardKind;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\JoinCode;
use Rhapsode\Core\Classroom\NameList;
use Rhapsode\Core\Classroom\Secret;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Message\Message;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How a class begins and who is put into it, renamed, taken out and put back. Two such acts at once come one after the other. */
final readonly class Enrolment
{
    public function __construct(private EntityManagerInterface $entities, private ChildSecrets $secrets) {}

    public function begin(string $name, User $teacher): Classroom
    {
        $classroom = $this->classOf($teacher->school, $name);
        $classroom->teachings->add(new Teaching($teacher, $classroom));
        $this->entities->flush();

        return $classroom;
    }

    /** A class that nobody teaches yet; it is stored with what comes next. */
    public function classOf(School $school, string $name): Classroom
    {
        $classroom = new Classroom($name, $school, $this->freeWord());
        $this->entities->persist($classroom);

        return $classroom;
    }

    private function freeWord(): string
    {
        $chance = new Randomizer();
        do {
            $word = Secret::ofClass($chance);
        } while (null !== $this->entities->getRepository(Classroom::class)->findOneBy(['word' => $word]));

        return $word;
    }

    /**
     * @param string $list as somebody has it lying about (core/Classroom/NameList)
     *
     * @return list<Card> of those who came in
     *
     * @throws Malformed where nobody is in it, or too many would be in the class
     */
    public function add(Classroom $classroom, string $list): array
    {
        return $this->alone($classroom, function (array $members) use ($classroom, $list): array {
            $people = NameList::read($list);
            if ([] === $people) {
                throw new Malformed(new Message('class.nobody-in-list'));
            }
            if (\count($members) + \count($people) > Limits::STUDENTS) {
                throw new Malformed(new Message('class.too-many', ['most' => Limits::STUDENTS, 'there' => \count($members), 'more' => \count($people)]));
            }
            $names = FirstName::apart($people, array_map(static fn(Membership $m): string => $m->student->firstName, $members));
            $cards = [];
            foreach ($names as $name) {
                $student = new User($classroom->school, null, $name, Role::Student);
                $cards[] = $this->secrets->make($student, $classroom->cards);
                $this->entities->persist($student);
                $this->entities->persist(new Membership($student, $classroom));
            }

            return $cards;
        });
    }

    /** A code to join by, for a while; the one before joins nobody any more. */
    public function open(Classroom $classroom): void
    {
        $this->alone($classroom, function () use ($classroom): void {
            $chance = new Randomizer();
            do {
                $code = JoinCode::make($chance);
            } while (null !== $this->entities->getRepository(Classroom::class)->findOneBy(['joinCode' => $code]));
            $classroom->joinCode = $code;
            $classroom->joinUntil = now('+' . JoinCode::LASTS . ' minutes');
        });
    }

    public function close(Classroom $classroom): void
    {
        $this->alone($classroom, static function () use ($classroom): void {
            $classroom->joinCode = $classroom->joinUntil = null;
        });
    }

    /**
     * Somebody puts themselves in.
     *
     * @throws NotFoundHttpException where the code joins no class, or none any more
     */
    public function join(string $code, string $name): Joined
    {
        $classroom = $this->entities->getRepository(Classroom::class)->findOneBy(['joinCode' => JoinCode::meant($code)]);
        // One name, also where somebody typed all of it.
        [$first] = NameList::read(str_replace("\n", ' ', $name)) ?: throw new Malformed('class.no-name');

        return $this->alone($classroom ?? throw new NotFoundHttpException(), function () use ($classroom, $first): Joined {
            // It may have been closed meanwhile.
            if (!$classroom->canBeJoined()) {
                throw new NotFoundHttpException();
            }

            return new Joined($classroom, $this->add($classroom, "{$first['first']} {$first['more']}")[0]);
        });
    }

    /**
     * In all classes that they are in.
     *
     * @throws Refused where somebody else of one of them is called that
     */
    public function rename(Classroom $classroom, User $student, string $name): void
    {
        $this->alone($classroom, function () use ($student, $name): void {
            $theirs = array_filter(
                $this->entities->getRepository(Membership::class)->findBy(['student' => $student]),
                static fn(Membership $m): bool => null !== $m->key,
            );
            foreach ($theirs as $one) {
                self::free($this->members($one->classroom), $student, $name)->key = FirstName::key($name);
            }
            $student->firstName = $name;
        });
    }

    /** Their stories stay theirs; they come in by this class no longer. */
    public function takeOut(Classroom $classroom, User $student): void
    {
        $this->alone($classroom, function () use ($classroom, $student): void {
            $this->membership($classroom, $student)->key = null;
        });
    }

    /**
     * Somebody who has an account already; twice is once.
     *
     * @return bool whether they came in just now
     *
     * @throws Refused where somebody else of the class is called as they are in another
     */
    public function take(Classroom $classroom, User $student): bool
    {
        return $this->alone($classroom, function (array $members) use ($classroom, $student): bool {
            $there = $this->entities->find(Membership::class, ['classroom' => $classroom, 'student' => $student]);
            if (null !== $there?->key) {
                return false;
            }
            if (\count($members) >= Limits::STUDENTS) {
                throw new Malformed(new Message('class.too-many', ['most' => Limits::STUDENTS, 'there' => \count($members), 'more' => 1]));
            }
            $own = $there ?? new Membership($student, $classroom);
            $this->entities->persist($own);
            if (0 === $this->entities->getRepository(Membership::class)->count(['student' => $student])) {
                // Nobody knows them by their name yet: it may be one that tells them apart.
                $taken = array_map(static fn(Membership $m): string => $m->student->firstName, $members);
                [$student->firstName] = FirstName::apart([['first' => $student->firstName, 'more' => '']], $taken);
            }
            self::free([...$members, $own], $student, $student->firstName)->key = FirstName::key($student->firstName);

            return true;
        });
    }

    /** @throws Refused where somebody else is called that by now */
    public function putBack(Classroom $classroom, User $student): void
    {
        $this->alone($classroom, function (array $members) use ($classroom, $student): void {
            self::free([...$members, $this->membership($classroom, $student)], $student, $student->firstName)->key = FirstName::key($student->firstName);
        });
    }

    /**
     * New cards: the ones before open nothing any more.
     *
     * @param list<string> $students their ids; who is not in the class gets none
     *
     * @return list<Card>
     */
    public function cards(Classroom $classroom, array $students): array
    {
        return $this->alone($classroom, function (array $members) use ($classroom, $students): array {
            $theirs = array_filter($members, static fn(Membership $m): bool => \in_array((string) $m->student->id, $students, true));

            return array_values(array_map(fn(Membership $m): Card => $this->secrets->make($m->student, $classroom->cards), $theirs));
        });
    }

    /** What cards of its students have from now on; those they hold still open. */
    public function print(Classroom $classroom, CardKind $kind): void
    {
        $this->alone($classroom, static function () use ($classroom, $kind): void {
            $classroom->cards = $kind;
        });
    }

    /** Its year is over: nothing of it changes any more, nobody comes in by it, and what was handed in stays to be read. */
    public function archive(Classroom $classroom): void
    {
        $this->alone($classroom, static function () use ($classroom): void {
            $classroom->archivedAt ??= now();
        });
    }

    public function bringBack(Classroom $classroom): void
    {
        $this->alone($classroom, static function () use ($classroom): void {
            $classroom->archivedAt = null;
        });
    }

    /** A new class with its students and teachers and its words, so that the cards they have still open; the old one is archived. */
    public function moveUp(Classroom $classroom, string $name): Classroom
    {
        return $this->alone($classroom, function (array $members) use ($classroom, $name): Classroom {
            if (null !== $classroom->archivedAt) {
                throw new Refused('class.moved-up');
            }
            $word = $classroom->word;
            $classroom->word = $this->freeWord();
            $classroom->archivedAt = now();
            $this->entities->flush();
            $next = new Classroom($name, $classroom->school, $word);
            $next->cards = $classroom->cards;
            $this->entities->persist($next);
            foreach ($classroom->teachings as $teaching) {
                $next->teachings->add(new Teaching($teaching->teacher, $next, $teaching->part));
            }
            foreach ($members as $one) {
                $moved = new Membership($one->student, $next);
                $moved->key = $one->key;
                $this->entities->persist($moved);
            }

            return $next;
        });
    }

    private function membership(Classroom $classroom, User $student): Membership
    {
        return $this->entities->find(Membership::class, ['classroom' => $classroom, 'student' => $student]) ?? throw new \LogicException();
    }

    /** @param list<Membership> $members */
    private static function free(array $members, User $student, string $name): Membership
    {
        $key = FirstName::key($name);
        if ('' === $key) {
            throw new Malformed('class.no-name');
        }
        $own = null;
        foreach ($members as $one) {
            if ($one->student->is($student)) {
                $own = $one;
            } elseif ($one->key === $key) {
                throw new Refused(new Message('class.name-taken', ['name' => $one->student->firstName]));
            }
        }

        return $own ?? throw new \LogicException();
    }

    /**
     * @template T
     *
     * @param \Closure(list<Membership>): T $act with those who are in the class
     *
     * @return T
     */
    private function alone(Classroom $classroom, \Closure $act): mixed
    {
        return $this->entities->wrapInTransaction(function () use ($classroom, $act): mixed {
            // As it is by now, not as it was when it was asked for.
            $this->entities->refresh($classroom, LockMode::PESSIMISTIC_WRITE);

            return $act($this->members($classroom));
        });
    }

    /** @return list<Membership> of those who are in it */
    private function members(Classroom $classroom): array
    {
        /** @var list<Membership> $members */
        $members = $this->entities->createQueryBuilder()->select('m', 's')->from(Membership::class, 'm')->join('m.student', 's')
            ->where('m.classroom = :class')->andWhere('m.key IS NOT NULL')->orderBy('s.firstName')
            ->setParameter('class', $classroom->id, 'uuid')->getQuery()->getResult();

        return $members;
    }
}
