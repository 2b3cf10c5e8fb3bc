<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Rubrics;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\Shared\Body\Body;
use Rhapsode\Core\Rubric\Rubric;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What the films of an assignment are marked by: made once, copied from another or from those that ship. */
final readonly class RubricController
{
    public function __construct(private EntityManagerInterface $entities, private Members $members) {}

    /** What a rubric may be copied from: those that ship, and those of the classes that one teaches, the newest first. */
    #[Route('/api/rubrics', name: 'rubrics', methods: ['GET'])]
    #[IsGranted('ROLE_TEACHER')]
    public function list(#[CurrentUser] User $user): JsonResponse
    {
        $classes = $this->members->taughtBy($user);
        $assignments = [] === $classes ? [] : $this->entities->getRepository(Assignment::class)->findBy(['classroom' => $classes], ['id' => 'DESC']);
        $own = array_values(array_filter($assignments, static fn(Assignment $one): bool => null !== $one->rubric));

        return new JsonResponse([
            'shipped' => array_map(static fn(Rubric $one): array => $one->toArray(), ShippedRubrics::all()),
            'own' => array_map(static fn(Assignment $one): array => [
                'assignment' => (string) $one->id, 'title' => $one->title, 'classroom' => $one->classroom->name, 'rubric' => $one->rubric,
            ], $own),
        ]);
    }

    /** What was answered before keeps what it was marked by. */
    #[Route('/api/assignments/{id}/rubric', name: 'assignment_rubric', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function set(#[MapEntity] Assignment $assignment, Request $request): JsonResponse
    {
        $assignment->rubric = Rubric::read(Body::of($request)->object('rubric'))->toArray();
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }

    #[Route('/api/assignments/{id}/rubric', name: 'drop_assignment_rubric', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function drop(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $assignment->rubric = null;
        $this->entities->flush();

        return new JsonResponse($assignment->toArray());
    }
}
