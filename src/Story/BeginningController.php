<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\Core\Document\Refused;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

/** What a teacher lays ready for a task: a story of their own, with its pictures, words and music. */
final readonly class BeginningController
{
    /** Stories that are begun from now on; told twice it is told once. */
    #[Route('/api/assignments/{id}/beginning', name: 'assignment_beginning', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function __invoke(
        #[MapEntity]
        Assignment $assignment,
        #[MapRequestPayload(acceptFormat: 'json')]
        BeginningTold $told,
        EntityManagerInterface $entities,
        AuthorizationCheckerInterface $access,
    ): JsonResponse {
        $story = null !== $told->story && Uuid::isValid($told->story) ? $entities->find(StoryRecord::class, $told->story) : null;
        if (null !== $told->story && (null === $story || !$access->isGranted(StoryVoter::OWN, $story))) {
            throw new Refused('edit.story-gone');
        }
        $assignment->beginning = $story?->id;
        $entities->flush();

        return new JsonResponse($assignment->toArray());
    }
}
