<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Database;

use Doctrine\DBAL\Connection;

/** What one worker does at a time, of all that share the database. A claim lasts as long as its connection: a worker that is killed holds nothing. */
final readonly class Claims
{
    public function __construct(private Connection $database) {}

    /**
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T|null null while another holds it
     */
    public function alone(string $name, \Closure $work): mixed
    {
        if (true !== $this->database->fetchOne('SELECT pg_try_advisory_lock(hashtextextended(?, 0))', [$name])) {
            return null;
        }
        try {
            return $work();
        } finally {
            $this->database->executeStatement('SELECT pg_advisory_unlock(hashtextextended(?, 0))', [$name]);
        }
    }
}
