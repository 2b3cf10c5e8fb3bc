<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\App\Shared\Queue\Waiting;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** Whether the application can do its work: the database answers, the store can be written, nothing waits too long. */
final readonly class HealthController
{
    private const PATIENCE = 900;

    public function __construct(private Waiting $waiting, private Store $store) {}

    #[Route('/api/health', name: 'health', methods: ['GET'])]
    public function __invoke(): JsonResponse
    {
        try {
            $waits = (int) round($this->waiting->seconds('films') ?? 0);
            $database = true;
        } catch (\Throwable) {
            $database = false;
            $waits = 0;
        }
        $store = $this->store->isWritable();
        $well = $database && $store && $waits < self::PATIENCE;

        return new JsonResponse(['well' => $well, 'database' => $database, 'store' => $store, 'queueSeconds' => $waits], $well ? 200 : 503);
    }
}
