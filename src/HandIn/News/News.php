<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\News;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Members;
use Rhapsode\Core\HandIn\HandInState;

use function Symfony\Component\Clock\now;

/** What waits for somebody: told while they look at something else, so that they need not come back to their desk to see. */
final readonly class News
{
    /** As many as anybody reads. */
    private const MOST = 50;
    /** What was handed in before stands on the desk; were it told of here, what is answered would make room for it, and it would be new. */
    private const RECENT = '-1 day';
    /** Of each story somebody makes, the newest that was not taken back. */
    private const MINE = <<<'SQL'
        SELECT DISTINCT ON (h.story_id) h.id, f.title FROM hand_in h JOIN film f ON f.id = h.film_id
        WHERE h.state <> :withdrawn AND h.story_id IN (
            SELECT id FROM story WHERE owner_id = :reader UNION SELECT story_record_id FROM story_maker WHERE user_id = :reader
        )
        ORDER BY h.story_id, h.number DESC
        SQL;
    private const TO_WATCH = <<<'SQL'
        SELECT h.id, f.title FROM peer_answer p JOIN hand_in h ON h.id = p.hand_in_id JOIN film f ON f.id = h.film_id
            JOIN assignment a ON a.id = h.assignment_id JOIN classroom c ON c.id = a.classroom_id
        WHERE p.reviewer_id = :reader AND p.written_at IS NULL AND h.state <> :withdrawn AND a.put_away_at IS NULL AND c.archived_at IS NULL
        ORDER BY h.handed_in_at, h.id LIMIT :most
        SQL;
    private const WATCHED = <<<'SQL'
        SELECT a.id, a.title FROM assignment a JOIN membership m ON m.classroom_id = a.classroom_id JOIN classroom c ON c.id = a.classroom_id
        WHERE m.student_id = :reader AND m.name_key IS NOT NULL AND a.thanks_until > :now AND a.put_away_at IS NULL AND c.archived_at IS NULL ORDER BY a.thanks_until DESC LIMIT :most
        SQL;
    private const HANDED_IN = <<<'SQL'
        SELECT h.id, f.title FROM hand_in h JOIN film f ON f.id = h.film_id JOIN assignment a ON a.id = h.assignment_id
        WHERE a.classroom_id IN (:classes) AND a.put_away_at IS NULL AND h.state = :waits AND h.handed_in_at > :since ORDER BY h.handed_in_at DESC, h.id LIMIT :most
        SQL;

    public function __construct(private EntityManagerInterface $entities, private Members $members, private Said $said) {}

    /** @return list<array{kind: string, id: string, title: string, count: int}> $id of a hand-in, or of the assignment whose films are watched */
    public function of(User $reader): array
    {
        return match ($reader->role) {
            Role::Student => [
                ...$this->rows('watched', self::WATCHED, ['reader' => (string) $reader->id, 'now' => now()->format('Y-m-d H:i:s'), 'most' => self::MOST]),
                ...$this->saidTo($reader),
                ...$this->rows('to-watch', self::TO_WATCH, ['reader' => (string) $reader->id, 'withdrawn' => HandInState::Withdrawn->value, 'most' => self::MOST]),
            ],
            default => [...$this->saidTo($reader), ...$this->handedIn($reader)],
        };
    }

    /** @return list<array{kind: string, id: string, title: string, count: int}> */
    private function saidTo(User $reader): array
    {
        $mine = $this->rows('said', self::MINE, ['reader' => (string) $reader->id, 'withdrawn' => HandInState::Withdrawn->value]);
        $unread = $this->said->unread(array_column($mine, 'id'), $reader);

        return array_values(array_filter(
            array_map(static fn(array $one): array => ['count' => \count($unread[$one['id']] ?? [])] + $one, $mine),
            static fn(array $one): bool => $one['count'] > 0,
        ));
    }

    /** @return list<array{kind: string, id: string, title: string, count: int}> */
    private function handedIn(User $reader): array
    {
        $classes = array_filter($this->members->taughtBy($reader), static fn(Classroom $one): bool => null === $one->archivedAt);

        return [] === $classes ? [] : $this->rows('handed-in', self::HANDED_IN, [
            'classes' => array_map(static fn(Classroom $one): string => (string) $one->id, array_values($classes)),
            'waits' => HandInState::HandedIn->value,
            'since' => now(self::RECENT)->format('Y-m-d H:i:s'),
            'most' => self::MOST,
        ], ['classes' => ArrayParameterType::STRING]);
    }

    /**
     * @param array<string, mixed>              $parameters
     * @param array<string, ArrayParameterType> $types
     *
     * @return list<array{kind: string, id: string, title: string, count: int}>
     */
    private function rows(string $kind, string $sql, array $parameters, array $types = []): array
    {
        $rows = [];
        foreach ($this->entities->getConnection()->fetchAllNumeric($sql, $parameters, $types) as [$id, $title]) {
            if (\is_string($id) && \is_string($title)) {
                $rows[] = ['kind' => $kind, 'id' => $id, 'title' => $title, 'count' => 1];
            }
        }

        return $rows;
    }
}
