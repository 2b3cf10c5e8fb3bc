<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Shared\Csv;
use Rhapsode\Core\Document\Fields;

/** A school's classes and people, from its own files and as such files. */
final class RosterTest extends AppTestCase
{
    private const USERS = <<<'CSV'
        sourcedId,status,dateLastModified,enabledUser,username,givenName,familyName
        s1,active,2026-08-01,true,alma.w,Alma,Wend
        s2,active,2026-08-01,true,bo.m,"Bo ""the quiet""",Mill
        s3,active,2026-08-01,true,alma.k,Alma,"Kay, of the fen"
        t1,active,2026-08-01,true,nora.f,Nora,Fen
        CSV;
    private const CLASSES = "sourcedId,status,title\nc1,active,Class 4 b\nc2,active,Choir\n";
    private const IN = <<<'CSV'
        classSourcedId,userSourcedId,role
        c1,s1,student
        c1,s2,student
        c1,s3,student
        c1,t1,teacher
        c2,s3,student
        c2,t1,teacher
        CSV;

    /** @return array<string, array<string, string>> */
    private static function files(string $users = self::USERS, string $classes = self::CLASSES, string $in = self::IN): array
    {
        return ['files' => ['roster/users.csv' => "\xEF\xBB\xBF" . str_replace("\n", "\r\n", $users), 'classes.csv' => $classes, 'enrollments.csv' => $in, 'manifest.csv' => 'propertyName,value']];
    }

    /** @return array<string, list<string>> who is in each class, by its name */
    private function classes(): array
    {
        $in = [];
        foreach (Fields::of($this->as('ada')->told('GET', '/api/school'))->objects('classes') as $one) {
            $students = Fields::of($this->told('GET', "/api/classes/{$one->id('id')}"))->objects('students');
            $in[$one->text('name')] = array_map(static fn(Fields $s): string => $s->text('firstName'), $students);
        }

        return $in;
    }

    public function testASchoolComesInWithItsTeachersClassesAndStudents(): void
    {
        $brought = Fields::of($this->as('ada')->told('POST', '/api/school/roster', self::files()));
        self::assertSame([2, 4], [$brought->whole('classes', 0, 9), $brought->whole('students', 0, 9)]);
        $in = $this->classes();
        self::assertSame([['Alma K.', 'Alma W.', 'Bo'], ['Alma K.']], [$in['Class 4 b'], $in['Choir']]);
        // No more than first names and a letter is kept of anybody, and nothing to come in with is there yet.
        $kept = json_encode($this->entities()->getConnection()->fetchAllAssociative('SELECT * FROM person'), \JSON_THROW_ON_ERROR);
        foreach (['Wend', 'Mill', 'quiet', 'fen', 'alma.w'] as $more) {
            self::assertStringNotContainsString($more, $kept);
        }
        // The teacher comes by one link to both classes, and leads them.
        $teacher = $brought->objects('teachers')[0];
        self::assertSame(['Nora Fen', ['Class 4 b', 'Choir']], [$teacher->text('name'), $teacher->raw('classes')]);
        $account = ['code' => $teacher->text('code'), 'firstName' => 'Nora', 'name' => 'nora', 'password' => 'four walls and a roof'];
        $this->as(null)->told('POST', '/api/invitations/accept', $account, 201);
        $this->told('POST', '/api/session/begin', ['name' => 'nora', 'password' => 'four walls and a roof']);
        $mine = Fields::of($this->told('GET', '/api/desk'))->objects('classrooms');
        self::assertSame(['Choir', 'Class 4 b'], array_map(static fn(Fields $one): string => $one->text('name'), $mine));
        $students = Fields::of($this->told('GET', "/api/classes/{$mine[1]->id('id')}"))->objects('students');
        $cards = $this->told('POST', "/api/classes/{$mine[1]->id('id')}/cards", ['students' => [$students[0]->id('id')]], 201);
        $card = Fields::of(array_values($cards)[0]);
        $this->as(null)->told('POST', '/api/session/class', ['class' => $mine[1]->text('word'), 'name' => 'Alma K', 'words' => $card->text('words')]);
    }

    public function testBroughtAgainOnlyWhatIsNewComes(): void
    {
        $this->as('ada')->told('POST', '/api/school/roster', self::files());
        $before = $this->classes();
        $again = Fields::of($this->told('POST', '/api/school/roster', self::files()));
        self::assertSame([0, 0, 1], [$again->whole('classes', 0, 9), $again->whole('students', 0, 9), \count($again->objects('teachers'))]);
        self::assertSame($before, $this->classes());
        // A teacher who comes by the older link has the account; by the newer one nobody has a second.
        $codes = array_map(static fn(Fields $one): string => $one->text('code'), $again->objects('teachers'));
        $account = ['firstName' => 'Nora', 'name' => 'nora', 'password' => 'four walls and a roof'];
        $this->as(null)->told('POST', '/api/invitations/accept', ['code' => $codes[0]] + $account, 201);
        $third = Fields::of($this->as('ada')->told('POST', '/api/school/roster', self::files(
            self::USERS . "\ns4,active,2026-08-01,true,x,Alma,Reed\nt2,active,2026-08-01,true,x,Otto,Lind",
            self::CLASSES . "c3,active,Book club\n",
            self::IN . "\nc1,s4,student\nc3,s1,student\nc3,t1,teacher\nc3,t2,teacher",
        )));
        self::assertSame([1, 2], [$third->whole('classes', 0, 9), $third->whole('students', 0, 9)]);
        self::assertSame(['Otto Lind'], array_map(static fn(Fields $one): string => $one->text('name'), $third->objects('teachers')));
        $in = $this->classes();
        self::assertSame(['Alma K.', 'Alma R.', 'Alma W.', 'Bo'], $in['Class 4 b']);
        self::assertSame(['Alma W.'], $in['Book club']);
        // Nobody is taken out for a line that is missing.
        $this->told('POST', '/api/school/roster', self::files(in: "classSourcedId,userSourcedId,role\nc1,s1,student"));
        self::assertSame($in, $this->classes());
    }

    public function testWhoMeetsInASecondClassComesInThereToo(): void
    {
        $users = "sourcedId,givenName,familyName\na,Alma,Wend\nb,Alma,Wick\n";
        $this->as('ada')->told('POST', '/api/school/roster', self::files(
            $users,
            self::CLASSES . "c3,active,Both\n",
            "classSourcedId,userSourcedId,role\nc1,a,student\nc2,b,student\nc3,a,student\nc3,b,student\n",
        ));
        $in = $this->classes();
        self::assertSame([['Alma'], ['Alma W.'], ['Alma', 'Alma W.']], [$in['Class 4 b'], $in['Choir'], $in['Both']]);
        // By what each is called they come in, in every class of theirs.
        $keys = $this->entities()->getConnection()->fetchFirstColumn("SELECT name_key FROM membership WHERE name_key LIKE 'alma%' ORDER BY name_key");
        self::assertSame(['alma', 'alma', 'almaw', 'almaw'], $keys);
    }

    public function testWhatIsNoRosterIsRefusedWhole(): void
    {
        $before = $this->classes();
        self::assertSame('roster.no-file', $this->told('POST', '/api/school/roster', ['files' => ['users.csv' => self::USERS]], 422)['code']);
        self::assertSame('roster.no-column', $this->told('POST', '/api/school/roster', self::files(classes: "id,title\n1,One"), 422)['code']);
        $this->told('POST', '/api/school/roster', ['files' => []], 422);
        $this->told('POST', '/api/school/roster', ['files' => ['users.csv' => 3]], 422);
        self::assertSame($before, $this->classes());
    }

    public function testOneSchoolsFilesChangeNothingOfAnother(): void
    {
        $this->as('ada')->told('POST', '/api/school/roster', self::files());
        $other = Fields::of($this->as('olga')->told('POST', '/api/school/roster', self::files()));
        self::assertSame([2, 4], [$other->whole('classes', 0, 9), $other->whole('students', 0, 9)]);
        self::assertCount(2, Fields::of($this->told('GET', '/api/school'))->objects('classes'));
    }

    public function testASchoolIsTakenAsFilesAndBroughtInElsewhere(): void
    {
        $this->as('ada')->told('POST', '/api/school/roster', self::files());
        $files = $this->told('GET', '/api/school/roster')['files'];
        self::assertIsArray($files);
        self::assertStringStartsWith("propertyName,value\r\nmanifest.version,1.0\r\n", \is_string($files['manifest.csv']) ? $files['manifest.csv'] : '');
        $brought = Fields::of($this->as('olga')->told('POST', '/api/school/roster', ['files' => $files]));
        self::assertSame(4, $brought->whole('classes', 0, 9), 'what was here before, too');
        $titles = array_column(Csv::read(\is_string($files['classes.csv']) ? $files['classes.csv'] : ''), 'title');
        self::assertSame(['Choir', 'Class 4 b', 'Class A', 'Class B'], $titles);
    }

    public function testATableIsReadAsItIsWritten(): void
    {
        $rows = [['a', 'b'], ['1', "two\nlines"], ['"quoted"', 'with, comma'], ['', 'ünïcode']];
        self::assertSame([['a' => '1', 'b' => "two\nlines"], ['a' => '"quoted"', 'b' => 'with, comma'], ['a' => '', 'b' => 'ünïcode']], Csv::read(Csv::write($rows)));
        // What is too short or too long a row, and what a table's program would reckon with.
        self::assertSame([['a' => '1', 'b' => ''], ['a' => '1', 'b' => '2']], Csv::read("a,b\n1\n\n1,2,3\n"));
        self::assertSame("a\r\n'=1+1\r\n'@x\r\n'-2\r\n-\r\n", Csv::write([['a'], ['=1+1'], ['@x'], ['-2'], ['-']]));
    }
}
