<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\EntityManagerInterface;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;

final readonly class SignedIn implements AuthenticationSuccessHandlerInterface
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $user = $token->getUser();
        if ($user instanceof User) {
            $user->seenAt = now();
            $this->entities->flush();
        }

        return new JsonResponse($user instanceof User ? $user->toArray() : null);
    }
}
