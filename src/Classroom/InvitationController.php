<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Links for grown-ups. What a link says is sent in a body, where no log writes it down. */
final readonly class InvitationController
{
    public function __construct(private Invitations $invitations) {}

    #[Route('/api/school/invitations', name: 'invite_to_school', methods: ['POST'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function toSchool(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] InvitationAs $as): JsonResponse
    {
        return new JsonResponse($this->invitations->make($user->school, $as->role), 201);
    }

    #[Route('/api/classes/{id}/invitations', name: 'invite_to_class', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function toClass(#[MapEntity] Classroom $classroom, #[MapRequestPayload(acceptFormat: 'json')] InvitationFor $for): JsonResponse
    {
        return new JsonResponse($this->invitations->make($classroom->school, Role::Teacher, $classroom, $for->part), 201);
    }

    #[Route('/api/invitations/read', name: 'read_invitation', methods: ['POST'])]
    public function read(#[MapRequestPayload(acceptFormat: 'json')] InvitationCode $told): JsonResponse
    {
        return new JsonResponse($this->invitations->read($told->code)->toArray());
    }

    /** An account of one's own; one signs in with it then. */
    #[Route('/api/invitations/accept', name: 'accept_invitation', methods: ['POST'])]
    public function accept(#[MapRequestPayload(acceptFormat: 'json')] NewAccount $new): JsonResponse
    {
        return new JsonResponse($this->invitations->accept($new)->toArray(), 201);
    }

    /** Who has an account comes to the class with it. */
    #[Route('/api/invitations/take', name: 'take_invitation', methods: ['POST'])]
    #[IsGranted('ROLE_TEACHER')]
    public function take(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] InvitationCode $told): JsonResponse
    {
        return new JsonResponse($this->invitations->take($told->code, $user)->toArray());
    }
}
