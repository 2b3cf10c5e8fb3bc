<?php

declare(strict_types=1);

namespace Rhapsode\App\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\Core\HandIn\HandInState;

/** Somebody's stories as covers: what stands on them, asked for all at once and without what they hold. */
final readonly class DeskStories
{
    private const COVERS = <<<'SQL'
        SELECT s.id, s.title, s.seconds, s.slides, s.cover, s.changed_at, s.assignment_id,
            (SELECT f.state FROM film f WHERE f.story_id = s.id ORDER BY f.begun_at DESC, f.id DESC LIMIT 1) AS film,
            h.id AS hand_in, h.state AS hand_in_state,
            s.owner_id = :maker AS may_drop, c.archived_at,
            (SELECT json_agg(p.first_name ORDER BY p.first_name) FROM person p WHERE p.id <> :maker
                AND (p.id = s.owner_id OR p.id IN (SELECT user_id FROM story_maker WHERE story_record_id = s.id))) AS others
        FROM story s LEFT JOIN assignment a ON a.id = s.assignment_id LEFT JOIN classroom c ON c.id = a.classroom_id
        LEFT JOIN LATERAL (
            SELECT id, state FROM hand_in WHERE story_id = s.id AND state <> :withdrawn ORDER BY number DESC LIMIT 1
        ) h ON true
        WHERE s.deleted_at IS NULL AND s.id IN (
            SELECT id FROM story WHERE owner_id = :maker UNION SELECT story_record_id FROM story_maker WHERE user_id = :maker
        )
        ORDER BY s.changed_at DESC, s.id DESC
        SQL;

    public function __construct(private EntityManagerInterface $entities) {}

    /** @return list<array<string, mixed>> those that were changed last first */
    public function of(User $user): array
    {
        $rows = $this->entities->getConnection()->fetchAllAssociative(
            self::COVERS,
            ['maker' => (string) $user->id, 'withdrawn' => HandInState::Withdrawn->value],
        );

        return array_map(static fn(array $row): array => [
            'id' => $row['id'],
            'title' => $row['title'],
            'seconds' => is_numeric($row['seconds']) ? (float) $row['seconds'] : 0.0,
            'slides' => $row['slides'],
            'cover' => $row['cover'],
            'changedAt' => self::moment($row['changed_at'])->format(\DATE_RFC3339),
            'assignment' => $row['assignment_id'],
            'others' => \is_string($row['others']) ? json_decode($row['others'], true, 2, \JSON_THROW_ON_ERROR) : [],
            'mayDrop' => $row['may_drop'],
            'film' => $row['film'],
            'goesOn' => null === $row['archived_at'] ? null : $user->school->goesOn(self::moment($row['archived_at'])),
            'handIn' => null === $row['hand_in'] ? null : [
                'id' => $row['hand_in'], 'state' => $row['hand_in_state'],
            ],
        ], $rows);
    }

    /** Stored in UTC. */
    private static function moment(mixed $stored): \DateTimeImmutable
    {
        return new \DateTimeImmutable(\is_string($stored) ? $stored : '', new \DateTimeZone('UTC'));
    }
}
