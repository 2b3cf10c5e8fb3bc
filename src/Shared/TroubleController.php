<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\RateLimiter\RateLimiterFactory;
use Symfony\Component\Routing\Attribute\Route;

/** What a page threw: it reaches the log with the request's id, and that id is what the person at the screen can tell. */
final readonly class TroubleController
{
    public function __construct(
        private LoggerInterface $logger,
        #[Autowire(service: 'limiter.trouble')]
        private RateLimiterFactory $limiter,
    ) {}

    #[Route('/api/trouble', name: 'trouble', methods: ['POST'])]
    public function __invoke(Request $request, #[MapRequestPayload(acceptFormat: 'json')] Trouble $trouble): Response
    {
        if ($this->limiter->create($request->getClientIp())->consume()->isAccepted()) {
            $this->logger->error('a page threw', $trouble->logged());
        }

        return new Response('', 204);
    }
}
