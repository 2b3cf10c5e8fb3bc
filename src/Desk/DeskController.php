<?php

declare(strict_types=1);

namespace Rhapsode\App\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The desk: what is due and my stories; for a teacher, the classes and what waits for an answer. */
final readonly class DeskController
{
    public function __construct(private EntityManagerInterface $entities, private Members $members) {}

    #[Route('/api/desk', name: 'desk', methods: ['GET'])]
    public function __invoke(#[CurrentUser] User $user): JsonResponse
    {
        $stories = $this->entities->getRepository(StoryRecord::class)->findBy(
            ['owner' => $user, 'deletedAt' => null],
            ['changedAt' => 'DESC'],
        );

        return new JsonResponse([
            'user' => $user->toArray(),
            'assignments' => array_map(static fn(Assignment $a): array => $a->toArray(), $this->due($user)),
            'stories' => array_map($this->cover(...), $stories),
            'classrooms' => Role::Teacher === $user->role ? array_map(
                $this->classroom(...),
                $this->entities->getRepository(Classroom::class)->findBy(['teacher' => $user], ['name' => 'ASC']),
            ) : [],
        ]);
    }

    /** @return list<Assignment> */
    private function due(User $user): array
    {
        $classes = $this->members->classesOf($user);

        return [] === $classes ? [] : $this->entities->getRepository(Assignment::class)->findBy(
            ['classroom' => $classes],
            ['dueOn' => 'ASC'],
        );
    }

    /** @return array<string, mixed> */
    private function cover(StoryRecord $story): array
    {
        $handIn = $this->entities->getRepository(HandIn::class)->findOneBy(['story' => $story], ['number' => 'DESC']);
        $film = $this->entities->getRepository(FilmRecord::class)->findOneBy(['story' => $story], ['begunAt' => 'DESC', 'id' => 'DESC']);

        return [
            'id' => (string) $story->id,
            'title' => $story->title,
            'seconds' => $story->seconds,
            'slides' => $story->slides,
            'cover' => $story->cover,
            'changedAt' => $story->changedAt->format(\DATE_RFC3339),
            'assignment' => null === $story->assignment ? null : (string) $story->assignment->id,
            'film' => $film?->state->value,
            'handIn' => null === $handIn ? null : [
                'id' => (string) $handIn->id,
                'state' => $handIn->state->value,
                'remarks' => \count($handIn->remarks),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function classroom(Classroom $classroom): array
    {
        $assignments = [];
        foreach ($this->entities->getRepository(Assignment::class)->findBy(
            ['classroom' => $classroom],
            ['dueOn' => 'DESC'],
        ) as $assignment) {
            $newest = [];
            foreach ($this->entities->getRepository(HandIn::class)->findBy(
                ['assignment' => $assignment],
                ['number' => 'DESC'],
            ) as $handIn) {
                $newest[(string) $handIn->story->id] ??= $handIn->state->value;
            }
            $assignments[] = $assignment->toArray() + ['states' => [] === $newest ? new \stdClass() : array_count_values($newest)];
        }

        return [
            'id' => (string) $classroom->id,
            'name' => $classroom->name,
            'students' => \count($this->members->of($classroom)),
            'assignments' => $assignments,
        ];
    }
}
