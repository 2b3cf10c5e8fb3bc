<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Queue;

use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;
use Symfony\Component\Messenger\Transport\TransportFactoryInterface;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * Makes the transports of `pg://NAME`.
 *
 * @implements TransportFactoryInterface<PgTransport>
 */
final readonly class PgTransportFactory implements TransportFactoryInterface
{
    public function __construct(private Connection $database) {}

    /** @param array<mixed> $options */
    public function createTransport(#[\SensitiveParameter] string $dsn, array $options, SerializerInterface $serializer): TransportInterface
    {
        return new PgTransport($this->database, $serializer, substr($dsn, \strlen('pg://')));
    }

    /** @param array<mixed> $options */
    public function supports(#[\SensitiveParameter] string $dsn, array $options): bool
    {
        return str_starts_with($dsn, 'pg://');
    }
}
