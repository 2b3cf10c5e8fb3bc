<?php

declare(strict_types=1);

namespace Rhapsode\App\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\HandIn\Guest;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\Core\HandIn\HandInState;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The desk: what is due and my stories; for a teacher, the classes and what waits for an answer. */
final readonly class DeskController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Members $members,
        private DeskStories $stories,
        private DeskClasses $classes,
    ) {}

    #[Route('/api/desk', name: 'desk', methods: ['GET'])]
    public function __invoke(#[CurrentUser] User $user): JsonResponse
    {
        $taught = Role::Student === $user->role ? [] : $this->members->taughtBy($user);

        return new JsonResponse([
            'user' => $user->toArray(),
            'toWatch' => array_map(
                static fn(Guest $guest): array => ['id' => (string) $guest->handIn->id, 'title' => $guest->handIn->film->title],
                array_values(array_filter(
                    Role::Guest === $user->role ? $this->entities->getRepository(Guest::class)->findBy(['person' => $user]) : [],
                    static fn(Guest $guest): bool => $guest->isAsked($user),
                )),
            ),
            'toAnswer' => Role::Student === $user->role ? $this->toAnswer($user) : [],
            'assignments' => array_map(static fn(Assignment $a): array => $a->toArray(), $this->due($user)),
            'stories' => $this->stories->of($user),
            'classrooms' => $this->classes->of(array_values(array_filter($taught, static fn(Classroom $one): bool => null === $one->archivedAt)), $user),
            'archived' => array_map(static fn(Classroom $one): array => ['id' => (string) $one->id, 'name' => $one->name, 'goesOn' => $one->goesOn()], array_values(array_filter(
                $taught,
                static fn(Classroom $one): bool => null !== $one->archivedAt,
            ))),
        ]);
    }

    /** @return list<Assignment> */
    private function due(User $user): array
    {
        $classes = $this->members->classesOf($user);

        return [] === $classes ? [] : $this->entities->getRepository(Assignment::class)->findBy(
            ['classroom' => $classes, 'putAwayAt' => null],
            ['dueOn' => 'ASC'],
        );
    }

    /** @return list<array<string, mixed>> films of others that this student watches by lot */
    private function toAnswer(User $user): array
    {
        /** @var list<PeerAnswer> $mine */
        $mine = $this->entities->createQueryBuilder()->select('p', 'h', 'f', 'a', 'c')->from(PeerAnswer::class, 'p')
            ->join('p.handIn', 'h')->join('h.film', 'f')->join('h.assignment', 'a')->join('a.classroom', 'c')
            ->where('p.reviewer = :user')->andWhere('h.state <> :withdrawn')->andWhere('a.putAwayAt IS NULL')->andWhere('c.archivedAt IS NULL')
            ->orderBy('h.handedInAt')->addOrderBy('h.id')
            ->setParameter('user', $user->id, 'uuid')->setParameter('withdrawn', HandInState::Withdrawn)->getQuery()->getResult();

        return array_map(static fn(PeerAnswer $one): array => [
            'id' => (string) $one->handIn->id, 'title' => $one->handIn->film->title, 'task' => $one->handIn->assignment->title,
            'isWritten' => null !== $one->writtenAt,
        ], $mine);
    }
}
