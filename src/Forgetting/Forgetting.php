<?php

declare(strict_types=1);

namespace Rhapsode\App\Forgetting;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Invitation;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Classroom\Teaching;
use Rhapsode\App\Shared\Database\Claims;
use Rhapsode\App\Story\StoryRecord;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/** Classes whose year was over long ago go for good, where their school has said so: with all that was made for their tasks, and their students. */
#[AsEventListener]
final readonly class Forgetting
{
    /** Classes at one time: the worker that has begun has other things to do as well. */
    private const AT_ONCE = 5;

    public function __construct(
        private EntityManagerInterface $entities,
        private StoryForgotten $stories,
        private PersonForgotten $people,
        private Claims $claims,
        private ManagerRegistry $managers,
        private LoggerInterface $log,
    ) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        try {
            $this->claims->alone('forgetting', $this->sweep(...));
        } catch (\Throwable $trouble) {
            // The worker has other things to do: what could not go stays until the next time.
            $this->log->error('a class could not be forgotten', ['exception' => $trouble]);
            $this->managers->resetManager();
        }
    }

    /** @return int how many classes went */
    public function sweep(): int
    {
        /** @var list<Classroom> $archived */
        $archived = $this->entities->createQuery(
            'SELECT c, s FROM ' . Classroom::class . ' c JOIN c.school s WHERE c.archivedAt IS NOT NULL AND s.keepsYears IS NOT NULL ORDER BY c.archivedAt',
        )->getResult();
        $due = \array_slice(array_filter($archived, self::isDue(...)), 0, self::AT_ONCE);

        return \count(array_filter($due, $this->one(...)));
    }

    /** Story by story, so that what cannot go at once goes the next time. */
    private function one(Classroom $classroom): bool
    {
        $id = (string) $classroom->id;
        foreach ($this->entities->getRepository(Assignment::class)->findBy(['classroom' => $classroom]) as $assignment) {
            foreach ($this->entities->getRepository(StoryRecord::class)->findBy(['assignment' => $assignment]) as $story) {
                $spoken = $this->held($classroom, fn(): array => $this->stories->forget($story));
                if (null === $spoken || !$this->stories->remove($story, $spoken)) {
                    $this->log->warning('A class is kept that should go.', ['class' => $id, 'story' => (string) $story->id]);

                    return false;
                }
            }
        }
        $students = array_map(static fn(Membership $m) => $m->student, $this->entities->getRepository(Membership::class)->findBy(['classroom' => $classroom]));
        if (null === $this->held($classroom, fn(): bool => $this->classroom($classroom))) {
            return false;
        }
        $gone = \count(array_filter($students, $this->people->forget(...)));
        $this->log->info('A class was forgotten.', ['class' => $id, 'people' => $gone]);

        return true;
    }

    /**
     * Brought back at this very moment, or kept for longer, it stays.
     *
     * @template T
     *
     * @param \Closure(): T $do
     *
     * @return T|null null where it stays
     */
    private function held(Classroom $classroom, \Closure $do): mixed
    {
        return $this->entities->wrapInTransaction(function () use ($classroom, $do): mixed {
            $this->entities->refresh($classroom, LockMode::PESSIMISTIC_WRITE);
            $this->entities->refresh($classroom->school);

            return self::isDue($classroom) ? $do() : null;
        });
    }

    private function classroom(Classroom $classroom): bool
    {
        foreach ($this->entities->getRepository(Invitation::class)->findBy(['classroom' => $classroom]) as $one) {
            $this->entities->remove($one);
        }
        foreach ([Assignment::class, Membership::class, Teaching::class] as $hangs) {
            foreach ($this->entities->getRepository($hangs)->findBy(['classroom' => $classroom]) as $one) {
                $this->entities->remove($one);
            }
        }
        $this->entities->flush();
        $this->entities->remove($classroom);
        $this->entities->flush();

        return true;
    }

    private static function isDue(Classroom $classroom): bool
    {
        $goes = $classroom->goesOn();

        return null !== $goes && $classroom->school->day(now()) >= $goes;
    }
}
