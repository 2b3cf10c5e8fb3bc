<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Queue;

use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Exception\MessageDecodingFailedException;
use Symfony\Component\Messenger\Stamp\DelayStamp;
use Symfony\Component\Messenger\Stamp\TransportMessageIdStamp;
use Symfony\Component\Messenger\Transport\Receiver\KeepaliveReceiverInterface;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * A queue in PostgreSQL for any number of workers: a message is taken with FOR UPDATE SKIP LOCKED, workers are woken by
 * NOTIFY, and one whose worker has not been heard of for a while is given to another. Times are whole milliseconds.
 */
final class PgTransport implements TransportInterface, KeepaliveReceiverInterface
{
    /** Twice and a half the time between two signs of life (bin/parts/services.sh). */
    private const REDELIVER = 25_000;
    private const WAIT = 1000;

    private bool $listening = false;

    public function __construct(
        private readonly Connection $database,
        private readonly SerializerInterface $serializer,
        private readonly string $queue,
    ) {}

    public function get(): iterable
    {
        $now = self::now();
        $row = $this->take($now);
        if (false === $row && $this->hear()) {
            $row = $this->take(self::now());
        }
        if (false === $row) {
            return [];
        }
        try {
            /** @var array<string, string> $headers as they were sent */
            $headers = json_decode($row['headers'], true, 8, \JSON_THROW_ON_ERROR);
            $envelope = $this->serializer->decode(['body' => $row['body'], 'headers' => $headers]);
        } catch (MessageDecodingFailedException $problem) {
            $this->delete((int) $row['id']);

            throw $problem;
        }

        return [$envelope->with(new TransportMessageIdStamp((int) $row['id']))];
    }

    public function ack(Envelope $envelope): void
    {
        $this->delete(self::id($envelope));
    }

    public function reject(Envelope $envelope): void
    {
        $this->delete(self::id($envelope));
    }

    public function keepalive(Envelope $envelope, ?int $seconds = null): void
    {
        $this->database->executeStatement('UPDATE queue_message SET delivered_at = ? WHERE id = ?', [self::now(), self::id($envelope)]);
    }

    public function send(Envelope $envelope): Envelope
    {
        $encoded = $this->serializer->encode($envelope);
        $delay = $envelope->last(DelayStamp::class)?->getDelay() ?? 0;
        $id = $this->database->fetchOne(
            'INSERT INTO queue_message (queue, body, headers, turn, available_at) VALUES (?, ?, ?, ?, ?) RETURNING id',
            [
                $this->queue,
                $encoded['body'],
                json_encode($encoded['headers'] ?? [], \JSON_THROW_ON_ERROR),
                $envelope->last(TurnStamp::class)->turn ?? 0,
                self::now() + $delay,
            ],
        );
        $this->database->executeStatement('SELECT pg_notify(?, ?)', [$this->channel(), '']);

        return $envelope->with(new TransportMessageIdStamp(is_numeric($id) ? (int) $id : 0));
    }

    /** @return array{id: int|string, body: string, headers: string}|false */
    private function take(int $now): array|false
    {
        /** @var array{id: int|string, body: string, headers: string}|false $row */
        $row = $this->database->fetchAssociative(
            'UPDATE queue_message SET delivered_at = :now WHERE id = (
                SELECT id FROM queue_message
                WHERE queue = :queue AND available_at <= :now AND (delivered_at IS NULL OR delivered_at < :lost)
                ORDER BY turn, id LIMIT 1 FOR UPDATE SKIP LOCKED
            ) RETURNING id, body, headers',
            ['now' => $now, 'queue' => $this->queue, 'lost' => $now - self::REDELIVER],
        );

        return $row;
    }

    /** Waits a while for news of the queue. */
    private function hear(): bool
    {
        $native = $this->database->getNativeConnection();
        if (!$native instanceof \PDO) {
            return false;
        }
        if (!$this->listening) {
            $this->database->executeStatement('LISTEN ' . $this->channel());
            $this->listening = true;
        }

        return false !== $native->pgsqlGetNotify(\PDO::FETCH_ASSOC, self::WAIT);
    }

    private function channel(): string
    {
        return 'queue_' . $this->queue;
    }

    private function delete(int $id): void
    {
        $this->database->executeStatement('DELETE FROM queue_message WHERE id = ?', [$id]);
    }

    private static function id(Envelope $envelope): int
    {
        $id = $envelope->last(TransportMessageIdStamp::class)?->getId();

        return is_numeric($id) ? (int) $id : throw new \LogicException('The message did not come from this queue.');
    }

    private static function now(): int
    {
        return (int) (microtime(true) * 1000);
    }
}
