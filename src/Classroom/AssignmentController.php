<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

final readonly class AssignmentController
{
    public function __construct(private EntityManagerInterface $entities) {}

    #[Route('/api/classes/{id}/assignments', name: 'set_assignment', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::SET, 'classroom')]
    public function set(#[MapEntity] Classroom $classroom, #[MapRequestPayload(acceptFormat: 'json')] Task $task): JsonResponse
    {
        $assignment = Assignment::told($classroom, $task);
        $this->entities->persist($assignment);
        $this->entities->flush();

        return new JsonResponse($assignment->toArray(), 201);
    }

    /** Proof holds every story for it to that from now on. */
    #[Route('/api/assignments/{id}', name: 'change_assignment', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function change(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] Task $task): JsonResponse
    {
        $assignment->tell($task);
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    /** Nobody sees it on their desk any more; what was made for it and handed in stays. Twice is once. */
    #[Route('/api/assignments/{id}', name: 'put_assignment_away', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function putAway(#[MapEntity] Assignment $assignment): Response
    {
        $assignment->putAwayAt ??= now();
        $this->entities->flush();

        return new Response('', 204);
    }

    #[Route('/api/assignments/{id}/restore', name: 'restore_assignment', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function restore(#[MapEntity] Assignment $assignment): Response
    {
        $assignment->putAwayAt = null;
        $this->entities->flush();

        return new Response('', 204);
    }

    /** No more films are taken; those that were wait for their answers. Twice is once. */
    #[Route('/api/assignments/{id}/closed', name: 'close_assignment', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function close(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $assignment->closedAt ??= now();
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    #[Route('/api/assignments/{id}/closed', name: 'open_assignment', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function open(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $assignment->closedAt = null;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    /** For another class that one leads. */
    #[Route('/api/assignments/{id}/copies', name: 'copy_assignment', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function copy(
        #[MapEntity]
        Assignment $assignment,
        #[MapRequestPayload(acceptFormat: 'json')]
        ForClass $for,
        AuthorizationCheckerInterface $access,
    ): JsonResponse {
        $other = Uuid::isValid($for->classroom) ? $this->entities->find(Classroom::class, $for->classroom) : null;
        if (null === $other || !$access->isGranted(ClassroomVoter::SET, $other)) {
            throw new AccessDeniedException();
        }
        $copy = $assignment->for($other);
        $this->entities->persist($copy);
        $this->entities->flush();

        return new JsonResponse($copy->toArray(), 201);
    }

    /** Stories that are begun from now on have it; each is its maker's to change. Told twice it is told once. */
    #[Route('/api/assignments/{id}/style', name: 'assignment_style', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function style(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] AssignmentStyle $told): JsonResponse
    {
        $assignment->style = $told->style;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    /** Proof holds every story for it to that from now on. */
    #[Route('/api/assignments/{id}/letters', name: 'assignment_letters', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function letters(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] AssignmentLetters $told): JsonResponse
    {
        $assignment->mostLetters = $told->letters;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }
}
