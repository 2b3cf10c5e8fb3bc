<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\News;

use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What waits for whoever asks, and that they have read it. */
final readonly class NewsController
{
    public function __construct(private News $news, private Said $said) {}

    #[Route('/api/news', name: 'news', methods: ['GET'])]
    public function news(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->news->of($user));
    }

    #[Route('/api/handins/{id}/read', name: 'read_said', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::WITHDRAW, 'handIn')]
    public function read(#[MapEntity] HandIn $handIn, #[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] ReadTold $told): Response
    {
        $this->said->read($handIn, $user, $told->read);

        return new Response('', 204);
    }
}
