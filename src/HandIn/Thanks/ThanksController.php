<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Thanks;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The class says thank you for films that it watches, each from their own device, while who teaches it lets them. */
final readonly class ThanksController
{
    private const OF_ASSIGNMENT = '/api/assignments/{id}/thanks';
    private const OF_FILM = '/api/handins/{id}/thanks';
    private const IDS = ['id' => Requirement::UUID, 'person' => Requirement::UUID];

    public function __construct(private FromClass $thanks) {}

    #[Route(self::OF_ASSIGNMENT, name: 'thanks', methods: ['GET'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function all(#[MapEntity] Assignment $assignment): JsonResponse
    {
        return new JsonResponse($this->thanks->all($assignment));
    }

    #[Route(self::OF_ASSIGNMENT, name: 'open_thanks', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function open(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $this->thanks->let($assignment, true);

        return $this->all($assignment);
    }

    #[Route(self::OF_ASSIGNMENT, name: 'close_thanks', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function close(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $this->thanks->let($assignment, false);

        return $this->all($assignment);
    }

    #[Route('/api/assignments/{id}/watched', name: 'watched', methods: ['GET'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::HAND_IN, 'assignment')]
    public function mine(#[MapEntity] Assignment $assignment, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->thanks->mine($assignment, $user));
    }

    #[Route(self::OF_FILM, name: 'thank', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(ThanksVoter::THANK, 'handIn')]
    public function thank(#[MapEntity] HandIn $handIn, #[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] ThanksTold $told): JsonResponse
    {
        $this->thanks->thank($handIn, $user, $told->words);

        return $this->mine($handIn->assignment, $user);
    }

    #[Route(self::OF_FILM, name: 'take_thanks_back', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(ThanksVoter::THANK, 'handIn')]
    public function takeBack(#[MapEntity] HandIn $handIn, #[CurrentUser] User $user): JsonResponse
    {
        $this->thanks->takeBack($handIn, $user);

        return $this->mine($handIn->assignment, $user);
    }

    /** Who teaches the class leaves out what is not kind. */
    #[Route(self::OF_FILM . '/{person}', name: 'drop_thanks', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function leaveOut(#[MapEntity] HandIn $handIn, string $person): JsonResponse
    {
        $this->thanks->leaveOut($handIn, $person);

        return $this->all($handIn->assignment);
    }
}
