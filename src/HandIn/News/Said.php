<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\News;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;

/** What is said of films to those who made them, and what of it they have read: remarks, answers, what others of the class say. */
final readonly class Said
{
    private const UNREAD = <<<'SQL'
        SELECT said.hand_in_id, said.key FROM (
            SELECT hand_in_id, CAST(id AS TEXT) AS key FROM remark WHERE author_id <> :reader
            UNION ALL SELECT id, 'answer ' || CAST(EXTRACT(EPOCH FROM answered_at) AS BIGINT) FROM hand_in WHERE answered_at IS NOT NULL
            UNION ALL SELECT hand_in_id, 'peer ' || reviewer_id FROM peer_answer WHERE is_shown AND written_at IS NOT NULL
            UNION ALL SELECT hand_in_id, 'thanks ' || person_id FROM thanks
        ) said LEFT JOIN hand_in_seen seen ON seen.hand_in_id = said.hand_in_id AND seen.person_id = :reader
        WHERE said.hand_in_id IN (:films) AND NOT COALESCE(jsonb_exists(CAST(seen.read AS JSONB), said.key), false)
        ORDER BY said.key
        SQL;

    public function __construct(private EntityManagerInterface $entities) {}

    /**
     * @param list<string> $handIns ids
     *
     * @return array<string, non-empty-list<string>> by the ids of those of which something is not read yet, what it is
     */
    public function unread(array $handIns, User $reader): array
    {
        $unread = [];
        $rows = [] === $handIns ? [] : $this->entities->getConnection()->fetchAllNumeric(
            self::UNREAD,
            ['reader' => (string) $reader->id, 'films' => $handIns],
            ['films' => ArrayParameterType::STRING],
        );
        foreach ($rows as [$handIn, $key]) {
            if (\is_string($handIn) && \is_string($key)) {
                $unread[$handIn][] = $key;
            }
        }

        return $unread;
    }

    /**
     * Somebody has read that, and not what came while they did. Two pages of one person at once: both are kept.
     *
     * @param list<string> $keys
     */
    public function read(HandIn $handIn, User $reader, array $keys): void
    {
        $this->entities->wrapInTransaction(function () use ($handIn, $reader, $keys): void {
            $this->entities->refresh($handIn, LockMode::PESSIMISTIC_WRITE);
            // What nobody has said is not kept.
            $new = array_intersect($this->unread([(string) $handIn->id], $reader)[(string) $handIn->id] ?? [], $keys);
            if ([] === $new) {
                return;
            }
            $seen = $this->entities->find(Seen::class, ['handIn' => $handIn, 'person' => $reader]) ?? new Seen($handIn, $reader);
            $this->entities->persist($seen);
            $seen->read = array_values([...$seen->read, ...$new]);
        });
    }
}
