<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Random\Randomizer;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Which films the class watches, and in which order. */
#[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
final readonly class ScreeningController
{
    private const PATH = '/api/assignments/{id}/screening';

    public function __construct(private EntityManagerInterface $entities, private Standing $standing) {}

    /** What does not stand, or is of another assignment, is left out. */
    #[Route(self::PATH, name: 'choose_screening', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    public function choose(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] ScreeningTold $told): JsonResponse
    {
        $assignment->screening = $told->films;
        $this->entities->flush();

        return new JsonResponse(['films' => $this->standing->screened($assignment)]);
    }

    /** Drawn by lot. */
    #[Route(self::PATH . '/lot', name: 'draw_screening', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    public function draw(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $this->entities->wrapInTransaction(function () use ($assignment): void {
            $this->entities->refresh($assignment, LockMode::PESSIMISTIC_WRITE);
            $assignment->screening = array_values((new Randomizer())->shuffleArray($this->standing->screened($assignment)));
        });

        return new JsonResponse(['films' => $this->standing->screened($assignment)]);
    }
}
