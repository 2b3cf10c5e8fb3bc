<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Peers;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInView;
use Rhapsode\App\HandIn\HandInVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Students answer each other's films, in a kind form. */
final readonly class PeersController
{
    private const IDS = ['id' => Requirement::UUID, 'reviewer' => Requirement::UUID];

    public function __construct(private Peers $peers, private HandInView $view) {}

    #[Route('/api/assignments/{id}/peers', name: 'deal_films', methods: ['POST'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function deal(#[MapEntity] Assignment $assignment): Response
    {
        $this->peers->deal($assignment);

        return new Response('', 204);
    }

    #[Route('/api/handins/{id}/peer', name: 'say_as_peer', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(HandInVoter::PEER, 'handIn')]
    public function say(#[MapEntity] HandIn $handIn, #[MapRequestPayload(acceptFormat: 'json')] PeerSaid $said, #[CurrentUser] User $user): JsonResponse
    {
        $this->peers->say($handIn->peer($user) ?? throw new NotFoundHttpException(), $said);

        return new JsonResponse($this->view->whole($handIn));
    }

    #[Route('/api/handins/{id}/peers/{reviewer}/shown', name: 'show_peer', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function show(#[MapEntity] HandIn $handIn, string $reviewer): JsonResponse
    {
        $this->peers->show(self::found($handIn, $reviewer), true);

        return new JsonResponse($this->view->whole($handIn));
    }

    #[Route('/api/handins/{id}/peers/{reviewer}/shown', name: 'hide_peer', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function hide(#[MapEntity] HandIn $handIn, string $reviewer): JsonResponse
    {
        $this->peers->show(self::found($handIn, $reviewer), false);

        return new JsonResponse($this->view->whole($handIn));
    }

    private static function found(HandIn $handIn, string $reviewer): PeerAnswer
    {
        return $handIn->peers->findFirst(static fn(int $_, PeerAnswer $one): bool => (string) $one->reviewer->id === $reviewer)
            ?? throw new NotFoundHttpException();
    }
}
