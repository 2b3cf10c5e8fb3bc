<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Classroom\OneRoster;
use Rhapsode\Core\Classroom\OneRosterColumns;
use Rhapsode\Core\Classroom\Roster;
use Rhapsode\Core\Classroom\RosterClass;
use Rhapsode\Core\Classroom\RosterPerson;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/** A school's roster as 1EdTech OneRoster 1.2 has it, CSV binding (columns and values from memory of the standard). */
final class OneRosterTest extends TestCase
{
    /** @return array<string, list<array<string, string>>> */
    private static function tables(): array
    {
        $user = static fn(string $id, string $given, string $family, string $preferred = '', string $enabled = 'true', string $status = 'active'): array => [
            'sourcedId' => $id, 'status' => $status, 'enabledUser' => $enabled, 'givenName' => $given, 'familyName' => $family, 'preferredGivenName' => $preferred,
        ];
        $in = static fn(string $class, string $user, string $role, string $status = 'active'): array => [
            'sourcedId' => "{$class}-{$user}", 'status' => $status, 'classSourcedId' => $class, 'userSourcedId' => $user, 'role' => $role,
        ];

        return [
            'users.csv' => [
                $user('u1', 'Alma Maria', 'Wend'), $user('u2', 'Robert', 'Mill', 'Bo'), $user('u3', 'Cyra', 'Kay', enabled: 'false'),
                $user('u4', 'Dov', 'Reed', status: 'tobedeleted'), $user('t1', 'Tara', 'Fen'), $user('u5', 'Eno', 'Alone'), $user('007', 'Fay', 'Ford'),
            ],
            'classes.csv' => [
                ['sourcedId' => 'c1', 'status' => 'active', 'title' => ' 4 b '], ['sourcedId' => 'c2', 'status' => '', 'title' => 'Choir'],
                ['sourcedId' => 'c3', 'status' => 'tobedeleted', 'title' => 'Old'],
            ],
            'enrollments.csv' => [
                $in('c1', 'u1', 'student'), $in('c1', 'u2', 'student'), $in('c1', 'u3', 'student'), $in('c1', 'u4', 'student'), $in('c1', 't1', 'teacher'),
                $in('c2', 'u1', 'Student'), $in('c2', 't1', 'aide'), $in('c2', '007', 'student'), $in('c3', 'u5', 'student'), $in('c1', 'u5', 'student', 'tobedeleted'),
                $in('c1', 'nobody', 'student'),
            ],
        ];
    }

    public function testWhoIsInWhichClassIsRead(): void
    {
        $roster = OneRoster::read(self::tables());
        self::assertEquals([
            new RosterClass('c1', '4 b', ['u1', 'u2'], ['t1']),
            // An id of figures alone stays a text, with its noughts.
            new RosterClass('c2', 'Choir', ['u1', '007'], []),
        ], $roster->classes);
        self::assertEquals([
            'u1' => new RosterPerson('u1', 'Alma', 'Wend'), 'u2' => new RosterPerson('u2', 'Bo', 'Mill'),
            't1' => new RosterPerson('t1', 'Tara', 'Fen'), '007' => new RosterPerson('007', 'Fay', 'Ford'),
        ], $roster->people);
    }

    /** What an older or a smaller system writes has fewer columns. */
    public function testWhatIsNotNeededMayBeMissing(): void
    {
        $fewer = array_map(static fn(array $rows): array => array_map(
            static fn(array $row): array => array_diff_key($row, ['status' => 1, 'enabledUser' => 1, 'preferredGivenName' => 1, 'familyName' => 1]),
            $rows,
        ), self::tables());
        $roster = OneRoster::read($fewer);
        self::assertSame(['u1', 'u2', 'u3', 'u4', 'u5'], $roster->classes[0]->students);
        self::assertSame(['Alma', 'Maria'], [$roster->people['u1']->first, $roster->people['u1']->more]);
        self::assertSame([], OneRoster::read(['users.csv' => [], 'classes.csv' => [], 'enrollments.csv' => []])->classes);
    }

    /** @return iterable<string, array{string, string|null, string}> */
    public static function missing(): iterable
    {
        foreach (OneRoster::FILES as $file) {
            yield $file => [$file, null, 'roster.no-file'];
        }
        yield 'a title' => ['classes.csv', 'title', 'roster.no-column'];
        yield 'a given name' => ['users.csv', 'givenName', 'roster.no-column'];
        yield 'a role' => ['enrollments.csv', 'role', 'roster.no-column'];
    }

    #[DataProvider('missing')]
    public function testWhatIsNeededAndMissingIsNamed(string $file, ?string $column, string $said): void
    {
        $tables = self::tables();
        if (null === $column) {
            unset($tables[$file]);
        } else {
            $tables[$file] = array_map(static fn(array $row): array => array_diff_key($row, [$column => 1]), $tables[$file]);
        }
        try {
            OneRoster::read($tables);
            self::fail('it was read');
        } catch (Malformed $problem) {
            self::assertSame([$said, $file], [$problem->said->code, $problem->said->parameters['file']]);
        }
    }

    public function testAClassHasAsManyAsThereIsRoomFor(): void
    {
        $tables = self::tables();
        for ($i = 0; $i <= Limits::STUDENTS; ++$i) {
            $tables['users.csv'][] = ['givenName' => 'N', 'sourcedId' => "n{$i}"] + $tables['users.csv'][0];
            $tables['enrollments.csv'][] = ['userSourcedId' => "n{$i}"] + $tables['enrollments.csv'][0];
        }
        $this->expectExceptionObject(new Malformed('roster.class-too-large'));
        OneRoster::read($tables);
    }

    public function testWhatIsWrittenIsReadAgain(): void
    {
        $roster = new Roster([
            new RosterClass('c1', 'A "class", so called', ['u1', 'x42'], ['t1']), new RosterClass('c2', 'Empty', [], []),
        ], ['u1' => new RosterPerson('u1', 'Alma'), 'x42' => new RosterPerson('x42', 'Bo'), 't1' => new RosterPerson('t1', 'Tara')]);
        $files = OneRoster::write($roster, 'A house', '2026-11-29T18:00:00.000Z', 2027);
        $tables = [];
        foreach ($files as $name => $rows) {
            $columns = array_shift($rows);
            self::assertIsArray($columns);
            foreach ($rows as $row) {
                self::assertSameSize($columns, $row, $name);
                $tables[$name][] = array_combine($columns, $row);
            }
        }
        $again = OneRoster::read($tables);
        self::assertEquals($roster->classes, $again->classes);
        self::assertSame(['Alma', 'Bo', 'Tara'], array_values(array_map(static fn(RosterPerson $one): string => $one->first, $again->people)));
        // The manifest tells of every file whether it is there.
        self::assertSame([['propertyName', 'value'], ['manifest.version', '1.0'], ['oneroster.version', '1.2']], \array_slice($files['manifest.csv'], 0, 3));
        $told = array_column($files['manifest.csv'], 1, 0);
        foreach (array_keys(OneRosterColumns::ALL) as $file) {
            self::assertSame(isset($files["{$file}.csv"]) ? 'bulk' : 'absent', $told["file.{$file}"]);
        }
        foreach ($files as $name => $rows) {
            self::assertTrue('manifest.csv' === $name || 'bulk' === $told['file.' . basename($name, '.csv')], $name);
        }
        // Whoever is enrolled is a user with a role, in a class of a course, in a year, of the school.
        self::assertSame(['school'], array_values(array_unique(array_column($tables['users.csv'], 'primaryOrgSourcedId'))));
        self::assertSame(['student', 'student', 'teacher'], array_column($tables['roles.csv'] ?? [], 'role'));
        self::assertSame(['year'], array_values(array_unique(array_column($tables['classes.csv'], 'termSourcedIds'))));
        self::assertSame('2026-08-01', $tables['academicSessions.csv'][0]['startDate'] ?? null);
    }
}
