<?php

declare(strict_types=1);

namespace Rhapsode\App\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Part;
use Rhapsode\Core\HandIn\HandInState;

/** A teacher's classes: what they were set, and how far what was handed in is; asked for all classes at once. */
final readonly class DeskClasses
{
    private const STUDENTS = <<<'SQL'
        SELECT classroom_id, COUNT(name_key) AS students FROM membership WHERE classroom_id IN (:classes) GROUP BY classroom_id
        SQL;
    /** Of each story the newest that was not taken back. */
    private const STATES = <<<'SQL'
        SELECT assignment_id, state, COUNT(*) AS films FROM (
            SELECT DISTINCT ON (h.assignment_id, h.story_id) h.assignment_id, h.state
            FROM hand_in h JOIN assignment a ON a.id = h.assignment_id
            WHERE a.classroom_id IN (:classes) AND a.put_away_at IS NULL AND h.state <> :withdrawn
            ORDER BY h.assignment_id, h.story_id, h.number DESC
        ) newest
        GROUP BY assignment_id, state
        SQL;

    public function __construct(private EntityManagerInterface $entities) {}

    /**
     * @param list<Classroom> $classes
     *
     * @return list<array<string, mixed>>
     */
    public function of(array $classes, User $user): array
    {
        if ([] === $classes) {
            return [];
        }
        $ids = ['classes' => array_map(static fn(Classroom $one): string => (string) $one->id, $classes)];
        $connection = $this->entities->getConnection();
        $types = ['classes' => ArrayParameterType::STRING];
        $students = $connection->fetchAllKeyValue(self::STUDENTS, $ids, $types);
        $states = [];
        foreach ($connection->fetchAllNumeric(self::STATES, $ids + ['withdrawn' => HandInState::Withdrawn->value], $types) as [$assignment, $state, $films]) {
            if (\is_string($assignment) && \is_string($state)) {
                $states[$assignment][$state] = $films;
            }
        }
        $set = [];
        foreach ($this->entities->getRepository(Assignment::class)->findBy(
            ['classroom' => $classes, 'putAwayAt' => null],
            ['dueOn' => 'DESC', 'id' => 'DESC'],
        ) as $one) {
            $set[(string) $one->classroom->id][] = $one->toArray() + ['states' => $states[(string) $one->id] ?? new \stdClass()];
        }

        return array_map(static fn(Classroom $one): array => [
            'id' => (string) $one->id,
            'name' => $one->name,
            'word' => $one->word,
            'maySet' => Part::Lead === $one->part($user),
            'students' => $students[(string) $one->id] ?? 0,
            'assignments' => $set[(string) $one->id] ?? [],
        ], $classes);
    }
}
