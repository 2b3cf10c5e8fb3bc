<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;

/** A class as whoever teaches it sees it. */
final readonly class ClassroomView
{
    public function __construct(private Members $members, private EntityManagerInterface $entities) {}

    /** @return array<string, mixed> */
    public function of(Classroom $classroom, User $reader): array
    {
        return [
            'id' => (string) $classroom->id,
            'name' => $classroom->name,
            'word' => $classroom->word,
            'cards' => $classroom->cards->value,
            'joinCode' => $classroom->canBeJoined() ? $classroom->joinCode : null,
            'joinUntil' => $classroom->canBeJoined() ? $classroom->joinUntil?->format(\DATE_RFC3339) : null,
            'mayChange' => null === $classroom->archivedAt && Part::Helper !== $classroom->part($reader),
            'mayArchive' => Part::Helper !== $classroom->part($reader),
            'archivedAt' => $classroom->archivedAt?->format(\DATE_RFC3339),
            'goesOn' => $classroom->goesOn(),
            'teachers' => $classroom->teachings->map(static fn(Teaching $t): array => [
                'id' => (string) $t->teacher->id, 'firstName' => $t->teacher->firstName, 'part' => $t->part->value,
            ])->getValues(),
            'tasks' => null === $classroom->part($reader) ? [] : $this->tasks($classroom),
            'students' => array_map(static fn(User $u): array => [
                'id' => (string) $u->id, 'firstName' => $u->firstName, 'seenAt' => $u->seenAt?->format(\DATE_RFC3339),
            ], $this->members->of($classroom)),
        ];
    }

    /** @return list<array{id: string, title: string, dueOn: string, isPutAway: bool}> also those that stand on nobody's desk any more, the newest first */
    private function tasks(Classroom $classroom): array
    {
        return array_map(
            static fn(Assignment $one): array => [
                'id' => (string) $one->id, 'title' => $one->title, 'dueOn' => $one->dueOn->format('Y-m-d'), 'isPutAway' => null !== $one->putAwayAt,
            ],
            $this->entities->getRepository(Assignment::class)->findBy(['classroom' => $classroom], ['dueOn' => 'DESC', 'id' => 'DESC']),
        );
    }
}
