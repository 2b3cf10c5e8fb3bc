<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Together;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

/** Who makes a story together: they themselves say so, or who leads their class. */
final readonly class TogetherController
{
    private const IDS = ['id' => Requirement::UUID, 'maker' => Requirement::UUID];

    public function __construct(private EntityManagerInterface $entities, private Makers $makers) {}

    #[Route('/api/stories/{id}/makers', name: 'makers', methods: ['GET'], requirements: self::IDS)]
    #[IsGranted(StoryVoter::TOGETHER, 'story')]
    public function makers(#[MapEntity] StoryRecord $story, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->told($story, $user));
    }

    #[Route('/api/stories/{id}/makers/{maker}', name: 'join_makers', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(StoryVoter::TOGETHER, 'story')]
    public function join(#[MapEntity] StoryRecord $story, string $maker, #[CurrentUser] User $user): JsonResponse
    {
        $classmate = null === $story->assignment ? null : $this->makers->classmate($story->assignment, $maker);
        $this->makers->join($story, $classmate ?? throw new NotFoundHttpException());

        return new JsonResponse($this->told($story, $user));
    }

    #[Route('/api/stories/{id}/makers/{maker}', name: 'leave_makers', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(StoryVoter::TOGETHER, 'story')]
    public function leave(#[MapEntity] StoryRecord $story, string $maker, #[CurrentUser] User $user): JsonResponse
    {
        // Who makes it leaves it themselves; whoever leads the class takes anybody out.
        if (!Uuid::fromString($maker)->equals($user->id) && $story->isMadeBy($user)) {
            throw new AccessDeniedException();
        }
        $this->makers->leave($story, $this->entities->find(User::class, $maker) ?? throw new NotFoundHttpException());

        return new JsonResponse($this->told($story, $user));
    }

    #[Route('/api/assignments/{id}/groups', name: 'groups', methods: ['GET'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function groups(#[MapEntity] Assignment $assignment, #[CurrentUser] User $user): JsonResponse
    {
        $groups = $this->makers->groups($assignment);

        return new JsonResponse([
            'groups' => array_map(fn(StoryRecord $one): array => $this->told($one, $user), $groups),
            'alone' => array_map(self::named(...), $this->makers->inNone($assignment, $groups)),
        ]);
    }

    /** Their story is begun, and lies on the desk of each. */
    #[Route('/api/assignments/{id}/groups', name: 'make_group', methods: ['POST'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function make(#[MapEntity] Assignment $assignment, #[MapRequestPayload(acceptFormat: 'json')] NewGroup $new, #[CurrentUser] User $user): JsonResponse
    {
        $students = [];
        foreach ($new->students as $id) {
            $students[] = $this->makers->classmate($assignment, $id) ?? throw new NotFoundHttpException();
        }
        \assert([] !== $students);

        return new JsonResponse($this->told($this->makers->begin($assignment, $students), $user), 201);
    }

    /** @return array<string, mixed> */
    private function told(StoryRecord $story, User $user): array
    {
        return [
            'me' => (string) $user->id,
            'story' => (string) $story->id,
            'most' => $story->assignment->together ?? 1,
            'makers' => array_map(self::named(...), $story->makers()),
            'others' => array_map(self::named(...), $this->makers->others($story)),
        ];
    }

    /** @return array{id: string, name: string} */
    private static function named(User $one): array
    {
        return ['id' => (string) $one->id, 'name' => $one->firstName];
    }
}
