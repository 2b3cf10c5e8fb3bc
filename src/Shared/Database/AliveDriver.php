<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Database;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Exception;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** Asks a connection for a sign of life before it is used, and takes another if there is none. */
final class AliveDriver extends AbstractDriverMiddleware
{
    private const TRIES = 3;

    public function connect(#[\SensitiveParameter] array $params): Connection
    {
        for ($try = 1; ; ++$try) {
            try {
                $connection = parent::connect($params);
                // What an earlier request could not give back, since it was ended, is given back with the sign of life.
                $connection->exec('SELECT pg_advisory_unlock_all()');

                return $connection;
            } catch (Exception $problem) {
                if (self::TRIES === $try) {
                    throw $problem;
                }
                // While it is held, PDO would hand out the very same one.
                unset($connection, $problem);
            }
        }
    }
}
