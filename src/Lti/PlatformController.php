<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\ClassroomVoter;
use Rhapsode\Core\Document\Refused;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The learning platforms of a school, as its administrator tells of them, and what they are to be told of us. */
final readonly class PlatformController
{
    public function __construct(private EntityManagerInterface $entities) {}

    #[Route('/api/school/platforms', name: 'platforms', methods: ['GET'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function all(#[CurrentUser] User $user, Request $request): JsonResponse
    {
        $all = $this->entities->getRepository(Platform::class)->findBy(['school' => $user->school], ['name' => 'ASC', 'id' => 'ASC']);
        $here = $request->getSchemeAndHttpHost();

        return new JsonResponse([
            'platforms' => array_map(static fn(Platform $one): array => $one->toArray(), $all),
            'own' => ['login' => "{$here}/api/lti/login", 'launch' => "{$here}/api/lti/launch", 'keys' => "{$here}/api/lti/keys.json"],
        ]);
    }

    #[Route('/api/school/platforms', name: 'add_platform', methods: ['POST'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function add(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] PlatformTold $told): JsonResponse
    {
        $platform = new Platform($user->school, $told->name);
        $this->entities->persist($platform);

        return $this->told($platform, $told, 201);
    }

    #[Route('/api/school/platforms/{id}', name: 'change_platform', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(PlatformVoter::TELL, 'platform')]
    public function change(#[MapEntity] Platform $platform, #[MapRequestPayload(acceptFormat: 'json')] PlatformTold $told): JsonResponse
    {
        return $this->told($platform, $told, 200);
    }

    /** Whoever came from it keeps their account and their work; by it nobody comes in any more. */
    #[Route('/api/school/platforms/{id}', name: 'drop_platform', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(PlatformVoter::TELL, 'platform')]
    public function drop(#[MapEntity] Platform $platform, #[CurrentUser] User $user, Request $request): JsonResponse
    {
        $this->entities->remove($platform);
        $this->entities->flush();

        return $this->all($user, $request);
    }

    /** @return JsonResponse how many came in */
    #[Route('/api/classes/{id}/platform', name: 'bring_names', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function names(#[MapEntity] Classroom $classroom, Names $names): JsonResponse
    {
        return new JsonResponse(['came' => $names->bring($classroom)]);
    }

    /** Whether a platform's course tells who is in the class. */
    #[Route('/api/classes/{id}/platform', name: 'class_platform', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function platform(#[MapEntity] Classroom $classroom, Names $names): JsonResponse
    {
        return new JsonResponse(['platform' => $names->courseOf($classroom)?->platform->name]);
    }

    private function told(Platform $platform, PlatformTold $told, int $status): JsonResponse
    {
        $platform->tell($told);
        try {
            $this->entities->flush();
        } catch (UniqueConstraintViolationException) {
            throw new Refused('lti.platform-known');
        }

        return new JsonResponse($platform->toArray(), $status);
    }
}
