<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Queue;

use Doctrine\DBAL\Connection;

/** What waits in a queue and has not been taken. */
final readonly class Waiting
{
    public function __construct(private Connection $database) {}

    /** @return float|null for how many seconds the oldest has waited; null where nothing does */
    public function seconds(string $queue): ?float
    {
        $now = (int) (microtime(true) * 1000);
        $since = $this->database->fetchOne(
            'SELECT MIN(available_at) FROM queue_message WHERE queue = ? AND delivered_at IS NULL AND available_at <= ?',
            [$queue, $now],
        );

        return is_numeric($since) ? ($now - (int) $since) / 1000 : null;
    }
}
