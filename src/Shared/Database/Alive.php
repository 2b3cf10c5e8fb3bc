<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Database;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Middleware;

/** Requests use the connection of an earlier one; after the database was restarted, that one is dead and must be made anew. */
#[AsMiddleware]
final class Alive implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new AliveDriver($driver);
    }
}
