<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Classroom\Invitation;
use Rhapsode\App\Classroom\SchoolCommand;
use Rhapsode\Core\Classroom\JoinCode;
use Rhapsode\Core\Document\Fields;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Console\Tester\CommandTester;

/** How grown-ups come to a school and to its classes, and children by a code on the board. */
final class InvitationTest extends AppTestCase
{
    private const PASSWORD = 'four walls and a roof';

    protected function tearDown(): void
    {
        Clock::set(new \Symfony\Component\Clock\NativeClock());
        parent::tearDown();
    }

    /** @param array<string, mixed> $body */
    private function link(string $path, array $body): string
    {
        return Fields::of($this->told('POST', $path, $body, 201))->text('code');
    }

    /** @return array<string, string> */
    private static function account(string $code, string $name = 'nora', string $password = self::PASSWORD): array
    {
        return ['code' => $code, 'firstName' => 'Nora', 'name' => $name, 'password' => $password];
    }

    public function testANewHouseBeginsWithItsAdministrator(): void
    {
        $tester = new CommandTester(self::service(SchoolCommand::class));
        $tester->execute(['name' => 'Weir House']);
        $code = trim($tester->getDisplay());
        $read = $this->as(null)->told('POST', '/api/invitations/read', ['code' => $code]);
        self::assertSame(['school' => 'Weir House', 'role' => 'administrator', 'classroom' => null, 'part' => null], $read);
        $made = $this->told('POST', '/api/invitations/accept', self::account($code, ' Nora '), 201);
        self::assertSame('administrator', $made['role']);
        $this->told('POST', '/api/session/begin', ['name' => 'nora', 'password' => self::PASSWORD]);
        $school = $this->told('GET', '/api/school');
        self::assertSame(['Weir House', []], [$school['name'], $school['classes']]);
        // The house has its administrator; asked for another one, it lets another one in.
        $tester->execute(['name' => 'Weir House']);
        self::assertSame('', $tester->getDisplay());
        $tester->execute(['name' => 'Weir House', '--another' => true]);
        self::assertSame('Weir House', $this->told('POST', '/api/invitations/read', ['code' => trim($tester->getDisplay())])['school']);
        self::assertCount(1, $this->entities()->getRepository(School::class)->findBy(['name' => 'Weir House']));
    }

    public function testAnAdministratorInvitesATeacherWhoMakesAClass(): void
    {
        $code = $this->as('ada')->link('/api/school/invitations', ['role' => 'teacher']);
        $this->as(null)->told('POST', '/api/invitations/accept', self::account($code), 201);
        $this->told('POST', '/api/session/begin', ['name' => 'nora', 'password' => self::PASSWORD]);
        $this->told('POST', '/api/classes', ['name' => 'Class N'], 201);
        $this->told('GET', '/api/school', null, 404);
        $school = Fields::of($this->as('ada')->told('GET', '/api/school'));
        $classes = array_map(static fn(Fields $one): array => $one->all(), $school->objects('classes'));
        self::assertSame(['Class A', 'Class B', 'Class N'], array_column($classes, 'name'));
        self::assertSame([2, 1, 0], array_column($classes, 'students'));
        self::assertSame([['Tara', 'Hugo'], ['Theo'], ['Nora']], array_column($classes, 'teachers'));
        self::assertSame(
            ['Ada', 'Hugo', 'Nora', 'Tara', 'Theo'],
            array_map(static fn(Fields $one): string => $one->text('firstName'), $school->objects('adults')),
        );
        // Of another house nothing is seen.
        $other = Fields::of($this->as('olga')->told('GET', '/api/school'));
        self::assertSame(['Another house', [], 1], [$other->text('name'), $other->objects('classes'), \count($other->objects('adults'))]);
    }

    public function testWhoHasAnAccountComesToAClassWithIt(): void
    {
        $path = "/api/classes/{$this->classroom->id}";
        $code = $this->as('tara')->link("{$path}/invitations", ['part' => 'helper']);
        self::assertSame('Class A', $this->as(null)->told('POST', '/api/invitations/read', ['code' => $code])['classroom']);
        $this->as('theo')->told('GET', $path, null, 404);
        // A student of the house, and somebody of another, are not meant.
        $this->as('sam')->told('POST', '/api/invitations/take', ['code' => $code], 404);
        $this->as('olga')->told('POST', '/api/invitations/take', ['code' => $code], 404);
        $this->as('theo')->told('POST', '/api/invitations/take', ['code' => $code]);
        self::assertFalse($this->told('GET', $path)['mayChange']);
        // It works once.
        $this->as('hugo')->told('POST', '/api/invitations/take', ['code' => $code], 404);
        // Whoever leads a class and is invited to help in it leads it still.
        $code = $this->as('tara')->link("{$path}/invitations", ['part' => 'helper']);
        $this->told('POST', '/api/invitations/take', ['code' => $code]);
        self::assertTrue($this->told('GET', $path)['mayChange']);
        // A link to the school alone leads to no class.
        $code = $this->as('ada')->link('/api/school/invitations', ['role' => 'teacher']);
        $this->as('theo')->told('POST', '/api/invitations/take', ['code' => $code], 404);
        $this->as(null)->told('POST', '/api/invitations/read', ['code' => $code]);
    }

    public function testANewTeacherOfAClassLeadsItWithWhoDidBefore(): void
    {
        $path = "/api/classes/{$this->classroom->id}";
        $code = $this->as('tara')->link("{$path}/invitations", ['part' => 'lead']);
        $this->as(null)->told('POST', '/api/invitations/accept', self::account($code), 201);
        $this->told('POST', '/api/session/begin', ['name' => 'norah', 'password' => self::PASSWORD], 401);
        $this->told('POST', '/api/session/begin', ['name' => ' NORA', 'password' => self::PASSWORD]);
        self::assertTrue($this->told('GET', $path)['mayChange']);
        $this->told('POST', "{$path}/students", ['list' => 'Alma'], 201);
    }

    public function testALinkWorksOnceAndForAWeek(): void
    {
        Clock::set(new MockClock('now'));
        $code = $this->as('ada')->link('/api/school/invitations', ['role' => 'teacher']);
        $this->as(null);
        foreach (['nonsense', '', $code . 'x'] as $wrong) {
            $this->told('POST', '/api/invitations/read', ['code' => $wrong], 404);
            $this->told('POST', '/api/invitations/accept', self::account($wrong), 404);
        }
        $this->told('POST', '/api/invitations/accept', self::account($code), 201);
        $this->told('POST', '/api/invitations/accept', self::account($code, 'nora2'), 404);
        $this->told('POST', '/api/invitations/read', ['code' => $code], 404);
        $late = $this->as('ada')->link('/api/school/invitations', ['role' => 'teacher']);
        $this->as(null)->told('POST', '/api/invitations/read', ['code' => $late]);
        Clock::get()->sleep(7 * 24 * 3600 + 1);
        $this->told('POST', '/api/invitations/read', ['code' => $late], 404);
        $this->told('POST', '/api/invitations/accept', self::account($late, 'nora3'), 404);
        // What the link says is kept by nobody.
        $kept = json_encode($this->entities()->getConnection()->fetchAllAssociative('SELECT * FROM invitation'), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString($code, $kept);
        self::assertCount(2, $this->entities()->getRepository(Invitation::class)->findBy(['role' => Role::Teacher]));
    }

    /** @return iterable<string, array{array<string, string>, int, string}> */
    public static function wrongAccounts(): iterable
    {
        yield 'a name that is taken' => [['name' => 'Tara'], 409, 'account.name-taken'];
        yield 'no name' => [['name' => ' '], 422, 'field.empty'];
        yield 'no first name' => [['firstName' => ''], 422, 'field.empty'];
        yield 'a long first name' => [['firstName' => str_repeat('x', 41)], 422, 'field.too-long'];
        yield 'a short password' => [['password' => 'short one'], 422, 'field.password-short'];
        yield 'a password of one letter' => [['password' => str_repeat('a', 20)], 422, 'field.password-weak'];
        yield 'a password without end' => [['password' => str_repeat('a b c ', 200)], 422, 'field.invalid'];
    }

    /** @param array<string, string> $wrong */
    #[DataProvider('wrongAccounts')]
    public function testAnAccountIsRefusedAndTheLinkStaysGood(array $wrong, int $status, string $said): void
    {
        $code = $this->as('ada')->link('/api/school/invitations', ['role' => 'teacher']);
        self::assertSame($said, $this->as(null)->told('POST', '/api/invitations/accept', $wrong + self::account($code), $status)['code']);
        $this->told('POST', '/api/invitations/accept', self::account($code), 201);
    }

    public function testNobodyIsInvitedToBeAStudent(): void
    {
        foreach (['student', 'owner', ''] as $role) {
            $this->as('ada')->told('POST', '/api/school/invitations', ['role' => $role], 422);
        }
        $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/invitations", ['part' => 'owner'], 422);
    }

    public function testAChildJoinsByTheCodeOnTheBoard(): void
    {
        Clock::set(new MockClock('now'));
        $path = "/api/classes/{$this->classroom->id}";
        $code = Fields::of($this->as('tara')->told('POST', "{$path}/code"))->text('joinCode');
        $joined = $this->as(null)->told('POST', '/api/join', ['code' => strtolower(substr($code, 0, 3)) . ' - ' . substr($code, 3), 'name' => 'Lio Wend'], 201);
        $card = Fields::of($joined)->object('card');
        self::assertSame(['Class A', 'otter mill', 'Lio'], [$joined['classroom'], $joined['word'], $card->text('name')]);
        self::assertSame('Lio', $this->told('POST', '/api/session/class', ['class' => 'otter mill', 'name' => 'lio', 'words' => $card->text('words')])['firstName']);
        // Another of that name, told apart.
        $other = $this->as(null)->told('POST', '/api/join', ['code' => $code, 'name' => 'Lio Kay'], 201);
        self::assertSame('Lio K.', Fields::of($other)->object('card')->text('name'));
        foreach (['', ' ', '123', str_repeat('x', 41)] as $nobody) {
            $this->told('POST', '/api/join', ['code' => $code, 'name' => $nobody], 422);
        }
        Clock::get()->sleep(60 * JoinCode::LASTS + 1);
        $this->told('POST', '/api/join', ['code' => $code, 'name' => 'Late'], 404);
        self::assertNull($this->as('tara')->told('GET', $path)['joinCode']);
        // A new one, until the teacher takes it away.
        $code = Fields::of($this->told('POST', "{$path}/code"))->text('joinCode');
        self::assertNotSame($code, Fields::of($this->told('POST', "{$path}/code"))->text('joinCode'));
        $this->as(null)->told('POST', '/api/join', ['code' => $code, 'name' => 'Late'], 404);
        self::assertNull($this->as('tara')->told('DELETE', "{$path}/code")['joinCode']);
        self::assertCount(4, Fields::of($this->told('GET', $path))->objects('students'));
    }

    public function testGuessingACodeIsSlowedDownAndJoiningIsNot(): void
    {
        $code = Fields::of($this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/code"))->text('joinCode');
        $this->as(null);
        // Other tests were wrong at the usual address.
        $this->client->setServerParameter('REMOTE_ADDR', '192.0.2.7');
        for ($i = 0; $i < 30; ++$i) {
            $this->told('POST', '/api/join', ['code' => "GUESS{$i}", 'name' => 'Lio'], 404);
            $this->told('POST', '/api/join', ['code' => $code, 'name' => 'Lio'], 201);
        }
        for ($i = 0; $i < 10; ++$i) {
            $this->told('POST', '/api/join', ['code' => "GUESS{$i}", 'name' => 'Lio'], 404);
        }
        $this->told('POST', '/api/join', ['code' => $code, 'name' => 'Lio'], 429);
    }
}
