<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

final readonly class AssignmentController
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** Stories that are begun from now on have it; each is its maker's to change. Told twice it is told once. */
    #[Route('/api/assignments/{id}/style', name: 'assignment_style', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function style(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] AssignmentStyle $told): JsonResponse
    {
        $assignment->style = $told->style;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    /** Proof holds every story for it to that from now on. */
    #[Route('/api/assignments/{id}/letters', name: 'assignment_letters', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function letters(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] AssignmentLetters $told): JsonResponse
    {
        $assignment->mostLetters = $told->letters;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }
}
