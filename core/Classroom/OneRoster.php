<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Message\Message;

/**
 * A roster as school systems exchange it: 1EdTech OneRoster 1.2, CSV binding, "bulk" files. What is read is what is needed here: who
 * is in which class and who teaches it. Columns are found by their names, whatever their order; what is to be deleted, and whom the
 * school has disabled, is left out. Files of version 1.1 have the same columns for that.
 */
final class OneRoster
{
    public const FILES = ['users.csv', 'classes.csv', 'enrollments.csv'];
    private const NEEDED = [
        'users.csv' => ['sourcedId', 'givenName'],
        'classes.csv' => ['sourcedId', 'title'],
        'enrollments.csv' => ['classSourcedId', 'userSourcedId', 'role'],
    ];
    /** Roles of an enrolment, and what they are here. */
    private const STUDENT = 'student';
    private const TEACHER = 'teacher';

    /**
     * @param array<string, list<array<string, string>>> $tables rows by the names of their columns, by the names of their files
     *
     * @throws Malformed where a file or a column is missing, or where there is more than a school has
     */
    public static function read(array $tables): Roster
    {
        foreach (self::NEEDED as $file => $columns) {
            foreach ($columns as $column) {
                if (!isset($tables[$file])) {
                    throw new Malformed(new Message('roster.no-file', ['file' => $file]));
                }
                if ([] !== $tables[$file] && !\array_key_exists($column, $tables[$file][0])) {
                    throw new Malformed(new Message('roster.no-column', ['file' => $file, 'column' => $column]));
                }
            }
        }
        $people = self::people(self::there($tables['users.csv']));
        $in = [];
        foreach (self::there($tables['enrollments.csv']) as $row) {
            $role = strtolower($row['role']);
            if (isset($people[$row['userSourcedId']]) && \in_array($role, [self::STUDENT, self::TEACHER], true)) {
                $in[$row['classSourcedId']][$role][$row['userSourcedId']] = true;
            }
        }
        $classes = [];
        foreach (self::there($tables['classes.csv']) as $row) {
            $of = $in[$row['sourcedId']] ?? [];
            $classes[$row['sourcedId']] = new RosterClass(
                $row['sourcedId'],
                mb_substr(trim($row['title']), 0, Limits::CLASSROOM),
                array_map(strval(...), array_keys($of[self::STUDENT] ?? [])),
                array_map(strval(...), array_keys($of[self::TEACHER] ?? [])),
            );
        }

        return self::checked(array_values($classes), $people);
    }

    /**
     * @param list<array<string, string>> $rows
     *
     * @return array<string, RosterPerson>
     */
    private static function people(array $rows): array
    {
        $people = [];
        foreach ($rows as $row) {
            $preferred = trim($row['preferredGivenName'] ?? '');
            $names = NameList::read(str_replace([',', ';', "\n", "\t"], ' ', '' === $preferred ? $row['givenName'] : $preferred));
            if ([] !== $names && 'false' !== strtolower($row['enabledUser'] ?? '')) {
                $more = trim($row['familyName'] ?? '');
                $people[$row['sourcedId']] = new RosterPerson($row['sourcedId'], $names[0]['first'], '' === $more ? $names[0]['more'] : $more);
            }
        }

        return $people;
    }

    /**
     * @param list<array<string, string>> $rows
     *
     * @return list<array<string, string>> those that are not to be deleted
     */
    private static function there(array $rows): array
    {
        return array_values(array_filter($rows, static fn(array $row): bool => 'tobedeleted' !== strtolower($row['status'] ?? '')));
    }

    /**
     * @param list<RosterClass>           $classes
     * @param array<string, RosterPerson> $people
     */
    private static function checked(array $classes, array $people): Roster
    {
        $named = [];
        foreach ($classes as $class) {
            if (\count($class->students) > Limits::STUDENTS) {
                throw new Malformed(new Message('roster.class-too-large', ['name' => $class->name, 'count' => \count($class->students), 'most' => Limits::STUDENTS]));
            }
            $named += array_fill_keys([...$class->students, ...$class->teachers], true);
        }
        if (\count($classes) > Limits::CLASSES || \count($named) > Limits::PEOPLE) {
            throw new Malformed(new Message('roster.too-many', ['classes' => Limits::CLASSES, 'people' => Limits::PEOPLE]));
        }

        return new Roster($classes, array_intersect_key($people, $named));
    }

    /**
     * The files of a school. Of a person no more than the first name is known: the standard asks for a family name, which is a dash.
     *
     * @param string $school what it is called
     * @param string $now    the moment of it, as RFC 3339 has it, in UTC
     * @param int    $year   in which the school year ends
     *
     * @return array<string, list<list<string>>> rows, the names of the columns first, by the names of their files
     */
    public static function write(Roster $roster, string $school, string $now, int $year): array
    {
        $session = ['year', 'active', $now, (string) $year, 'schoolYear', ($year - 1) . '-08-01', "{$year}-07-31", '', (string) $year];
        $people = $enrollments = $roles = [];
        foreach ($roster->classes as $class) {
            foreach ([self::STUDENT => $class->students, self::TEACHER => $class->teachers] as $role => $ids) {
                foreach ($ids as $id) {
                    $enrollments[] = ["{$class->id}-{$id}", 'active', $now, $class->id, 'school', $id, $role, '', '', ''];
                    $people[$id] = $role;
                }
            }
        }
        $users = [];
        foreach ($people as $id => $role) {
            $person = $roster->people[$id];
            $users[] = [$person->id, 'active', $now, 'true', $person->id, '', $person->first, '-', ...array_fill(0, 13, ''), 'school', ''];
            $roles[] = ["role-{$person->id}", 'active', $now, $person->id, 'primary', $role, '', '', 'school', ''];
        }
        $course = ['course', 'active', $now, '', 'Stories', '', '', 'school', '', ''];

        return [
            'manifest.csv' => self::manifest(),
            'academicSessions.csv' => [OneRosterColumns::SESSIONS, $session],
            'orgs.csv' => [OneRosterColumns::ORGS, ['school', 'active', $now, $school, 'school', '', '']],
            'courses.csv' => [OneRosterColumns::COURSES, $course],
            'classes.csv' => [OneRosterColumns::CLASSES, ...array_map(
                static fn(RosterClass $one): array => [$one->id, 'active', $now, $one->name, '', 'course', '', 'scheduled', '', 'school', 'year', '', '', ''],
                $roster->classes,
            )],
            'users.csv' => [OneRosterColumns::USERS, ...$users],
            'roles.csv' => [OneRosterColumns::ROLES, ...$roles],
            'enrollments.csv' => [OneRosterColumns::ENROLLMENTS, ...$enrollments],
        ];
    }

    /** @return list<list<string>> */
    private static function manifest(): array
    {
        $rows = [['propertyName', 'value'], ['manifest.version', '1.0'], ['oneroster.version', '1.2']];
        foreach (OneRosterColumns::ALL as $file => $isThere) {
            $rows[] = ["file.{$file}", $isThere ? 'bulk' : 'absent'];
        }

        return [...$rows, ['source.systemName', 'Rhapsode'], ['source.systemCode', 'rhapsode']];
    }
}
