<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Together;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\HandIn\Standing;
use Rhapsode\App\Story\Beginning;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\Together;
use Rhapsode\Core\HandIn\TogetherRefusal;
use Rhapsode\Core\Message\Message;
use Symfony\Component\Uid\Uuid;

/** Those of a class who make one story together. */
final readonly class Makers
{
    public function __construct(private EntityManagerInterface $entities, private Members $members, private Standing $standing, private Beginning $beginning) {}

    /** Somebody comes to it; twice is once. @throws Refused */
    public function join(StoryRecord $story, User $user): void
    {
        $this->onItsOwn($story, function () use ($story, $user): void {
            if ($story->isMadeBy($user)) {
                return;
            }
            $most = $story->assignment->together ?? 1;
            self::hold(Together::joining(\count($story->makers()), $most, $this->standing->last($story)?->state), $most);
            $story->join($user);
        });
    }

    /** Somebody makes it no longer; twice is once. @throws Refused */
    public function leave(StoryRecord $story, User $user): void
    {
        $this->onItsOwn($story, function () use ($story, $user): void {
            if ($story->isMadeBy($user)) {
                self::hold(Together::leaving(\count($story->makers()), $this->standing->last($story)?->state), 1);
                $story->leave($user);
            }
        });
    }

    /**
     * A story that these begin together.
     *
     * @param non-empty-list<User> $students of its class
     *
     * @throws Refused where they are more than make one
     */
    public function begin(Assignment $assignment, array $students): StoryRecord
    {
        self::hold(Together::joining(\count($students) - 1, $assignment->together, null), $assignment->together);
        return $this->entities->wrapInTransaction(function () use ($assignment, $students): StoryRecord {
            $record = $this->beginning->of(array_shift($students), $assignment->title, $assignment);
            foreach ($students as $other) {
                $record->join($other);
            }

            return $record;
        });
    }

    /** @return list<StoryRecord> of an assignment that several make, and are not thrown away, in the order in which they were begun */
    public function groups(Assignment $assignment): array
    {
        /** @var list<StoryRecord> $stories */
        $stories = $this->entities->createQueryBuilder()->select('s', 'm', 'w')->from(StoryRecord::class, 's')
            ->join('s.others', 'm')->join('s.owner', 'w')
            ->where('s.assignment = :assignment')->andWhere('s.deletedAt IS NULL')->orderBy('s.begunAt')->addOrderBy('s.id')->addOrderBy('m.firstName')
            ->setParameter('assignment', $assignment->id, 'uuid')->getQuery()->getResult();

        return $stories;
    }

    /** @return list<User> of its class who do not make it yet */
    public function others(StoryRecord $story): array
    {
        return null === $story->assignment
            ? []
            : array_values(array_filter($this->members->of($story->assignment->classroom), static fn(User $one): bool => !$story->isMadeBy($one)));
    }

    /**
     * @param list<StoryRecord> $groups
     *
     * @return list<User> of the class who are in none of these
     */
    public function inNone(Assignment $assignment, array $groups): array
    {
        return array_values(array_filter(
            $this->members->of($assignment->classroom),
            static fn(User $one): bool => !array_any($groups, static fn(StoryRecord $group): bool => $group->isMadeBy($one)),
        ));
    }

    /** Somebody of its class; null for everybody else. */
    public function classmate(Assignment $assignment, string $id): ?User
    {
        $user = Uuid::isValid($id) ? $this->entities->find(User::class, $id) : null;

        return null !== $user && $this->members->belongs($user, $assignment->classroom) ? $user : null;
    }

    /** Two changes at once: one after the other. @param \Closure(): void $change */
    private function onItsOwn(StoryRecord $story, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($story, $change): void {
            $this->entities->refresh($story, LockMode::PESSIMISTIC_WRITE);
            $change();
        });
    }

    private static function hold(?TogetherRefusal $refusal, int $most): void
    {
        if (null !== $refusal) {
            throw new Refused(match ($refusal) {
                TogetherRefusal::Full => new Message('together.full', ['most' => $most]),
                TogetherRefusal::HandedIn => new Message('together.handed-in'),
                TogetherRefusal::Last => new Message('together.last'),
            });
        }
    }
}
