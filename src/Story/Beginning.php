<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Symfony\Component\Uid\Uuid;

/** Stories begin: with nothing but a title, or as a copy of what a teacher has laid ready for a task. */
final readonly class Beginning
{
    public function __construct(private EntityManagerInterface $entities, private StoryCopies $copies) {}

    /** @throws Refused */
    public function of(User $user, string $title, ?Assignment $assignment): StoryRecord
    {
        $laid = null === $assignment?->beginning ? null : $this->entities->find(StoryRecord::class, $assignment->beginning);
        // What was thrown away since is nobody's to begin with.
        $record = null === $laid || null !== $laid->deletedAt
            ? new StoryRecord($user, Story::begin($title, (string) Uuid::v7(), $assignment->style ?? StyleName::Thread))
            : $this->copies->copy($laid, $title, true, $user);
        $record->assignment = $assignment;
        $this->entities->persist($record);
        $this->entities->flush();

        return $record;
    }
}
