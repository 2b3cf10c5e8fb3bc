<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Shared\Stale;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Edit\Edit;
use Rhapsode\Core\Story\Story;
use Symfony\Component\Uid\Uuid;

/** Changes stories: the new document and the step of history in one transaction, or nothing. */
final readonly class Stories
{
    public function __construct(private EntityManagerInterface $entities, private PlanMaker $plans) {}

    /**
     * @param list<Edit> $edits
     * @param int|null   $revision the revision they were made on; null for what holds on any
     *
     * @throws Refused|Stale
     */
    public function edit(StoryRecord $record, array $edits, ?int $revision, User $author): void
    {
        $this->changing($record, $revision, function (Story $story) use ($record, $edits, $author): Story {
            // What edits put together must be a story too.
            $new = array_reduce($edits, static fn(Story $s, Edit $edit): Story => $edit->apply($s), $story)->checked();
            $change = Change::between($story, $new);
            if (!$change->isNothing()) {
                $this->entities->getConnection()->executeStatement(
                    'UPDATE story_change SET superseded = true WHERE story_id = ? AND author_id = ? AND undone AND NOT superseded',
                    [(string) $record->id, (string) $author->id],
                );
                $this->entities->persist(new StoryChange($record, $author, $change));
            }

            return $new;
        });
    }

    /** Undoes the last thing that this person did. @throws Refused|Stale */
    public function undo(StoryRecord $record, ?int $revision, User $author): void
    {
        $this->changing($record, $revision, function (Story $story) use ($record, $author): Story {
            $step = $this->step($record, $author, false, 'DESC') ?? throw new Refused('edit.nothing-to-undo');
            $step->undone = true;

            return $step->change($story)->undone()->applyTo($story);
        });
    }

    /** @throws Refused|Stale */
    public function redo(StoryRecord $record, ?int $revision, User $author): void
    {
        $this->changing($record, $revision, function (Story $story) use ($record, $author): Story {
            $step = $this->step($record, $author, true, 'ASC') ?? throw new Refused('edit.nothing-to-redo');
            $step->undone = false;

            return $step->change($story)->applyTo($story);
        });
    }

    public function find(Uuid $id): ?StoryRecord
    {
        return $this->entities->find(StoryRecord::class, $id);
    }

    /** @return array{canUndo: bool, canRedo: bool} whether there is anything of this person's own to undo, and to do again */
    public function canStep(StoryRecord $record, User $author): array
    {
        $steps = 'SELECT FROM story_change WHERE story_id = :story AND author_id = :author AND NOT superseded AND';
        $can = $this->entities->getConnection()->fetchAssociative(
            "SELECT EXISTS ({$steps} NOT undone) AS undo, EXISTS ({$steps} undone) AS redo",
            ['story' => (string) $record->id, 'author' => (string) $author->id],
        ) ?: [];

        return ['canUndo' => true === ($can['undo'] ?? false), 'canRedo' => true === ($can['redo'] ?? false)];
    }

    /** @param \Closure(Story): Story $change */
    private function changing(StoryRecord $record, ?int $revision, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($record, $revision, $change): void {
            $this->entities->refresh($record, LockMode::PESSIMISTIC_WRITE);
            if (null !== $revision && $revision !== $record->revision) {
                throw new Stale($record->revision);
            }
            $story = $change($record->story());
            $record->write($story);
            $record->seconds = $this->plans->plan($story)->seconds();
            ++$record->revision;
        });
    }

    private function step(StoryRecord $record, User $author, bool $undone, string $order): ?StoryChange
    {
        return $this->entities->getRepository(StoryChange::class)->findOneBy(
            ['story' => $record, 'author' => $author, 'undone' => $undone, 'superseded' => false],
            ['number' => $order],
        );
    }
}
