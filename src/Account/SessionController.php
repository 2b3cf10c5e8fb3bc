<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\App\Shared\Problem;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final class SessionController
{
    #[Route('/api/session', name: 'who', methods: ['GET'])]
    public function who(#[CurrentUser] ?User $user): Response
    {
        // JsonResponse would turn null into an empty object.
        return null === $user ? JsonResponse::fromJsonString('null') : new JsonResponse($user->toArray());
    }

    #[Route('/api/session/begin', name: 'sign_in', methods: ['POST'])]
    public function signIn(): Response
    {
        // The firewall has answered what it could read.
        return new Problem(400, 'account.send-both');
    }

    #[Route('/api/session/class', name: 'sign_in_by_class', methods: ['POST'])]
    #[Route('/api/session/card', name: 'sign_in_by_card', methods: ['POST'])]
    public function byDoor(): never
    {
        throw new \LogicException('The firewall answers this.');
    }

    #[Route('/api/session/end', name: 'sign_out', methods: ['POST'])]
    public function signOut(): never
    {
        throw new \LogicException('The firewall answers this.');
    }
}
