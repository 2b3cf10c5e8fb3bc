<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** Whether the application can do its work: the database answers, the store can be written, nothing waits too long. */
final readonly class HealthController
{
    private const PATIENCE = 900;

    public function __construct(private Connection $database, private Store $store) {}

    #[Route('/api/health', name: 'health', methods: ['GET'])]
    public function __invoke(): JsonResponse
    {
        try {
            $age = $this->database->fetchOne('SELECT COALESCE(MAX(:now - available_at), 0) FROM queue_message WHERE queue = :queue AND delivered_at IS NULL', ['now' => (int) (microtime(true) * 1000), 'queue' => 'films']);
            $waits = max(0, (int) round((is_numeric($age) ? (float) $age : 0) / 1000));
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
