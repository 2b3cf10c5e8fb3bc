<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\User;
use Rhapsode\App\Shared\Problem;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\RateLimiter\RateLimiterFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A code on the board: made and taken away by who leads the class, typed by who joins it. */
final readonly class JoinController
{
    private const CODE = '/api/classes/{id}/code';

    public function __construct(
        private Enrolment $enrolment,
        private ClassroomView $view,
        #[Autowire(service: 'limiter.join')]
        private RateLimiterFactoryInterface $wrong,
    ) {}

    #[Route(self::CODE, name: 'open_class', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function open(#[MapEntity] Classroom $classroom, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->open($classroom);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route(self::CODE, name: 'close_class', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function close(#[MapEntity] Classroom $classroom, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->close($classroom);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    /** Guessing is slowed down by the wrong ones: a whole class joins from one address. */
    #[Route('/api/join', name: 'join', methods: ['POST'])]
    public function join(Request $request, #[MapRequestPayload(acceptFormat: 'json')] Joining $joining): JsonResponse
    {
        $limiter = $this->wrong->create($request->getClientIp());
        if ($limiter->consume(0)->getRemainingTokens() < 1) {
            return new Problem(429, 'account.too-often');
        }
        try {
            return new JsonResponse($this->enrolment->join($joining->code, $joining->name)->toArray(), 201);
        } catch (NotFoundHttpException) {
            $limiter->consume();

            return new Problem(404, 'class.wrong-code');
        }
    }
}
