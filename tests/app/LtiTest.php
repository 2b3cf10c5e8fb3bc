<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Part;
use Rhapsode\Core\Lti\LaunchFault;
use Rhapsode\Tests\StandIns\LearningPlatform;
use Symfony\Component\Uid\Uuid;

/** Who is sent by a learning platform comes in, and nobody else does. */
final class LtiTest extends LtiTestCase
{
    public function testATeacherOpensTheCourseAndItsStudentsComeIn(): void
    {
        [$class, $assignment] = $this->opened();
        $teacher = $this->told('GET', '/api/session');
        self::assertSame(['Mev', 'teacher'], [$teacher['firstName'], $teacher['role']]);
        self::assertSame('Reeds and rivers', $this->told('GET', "/api/classes/{$class}")['name']);

        // A name that is in the class already is told apart; nobody is taken for somebody else because of it.
        foreach (['u-1' => 'Ilse', 'u-2' => 'Ilse'] as $user => $name) {
            $ticket = $this->ticket(['user' => $user, 'name' => $name]);
            self::assertSame(['who', 'Our courses', 'Reeds and rivers'], array_values(array_intersect_key($this->arrive($ticket), ['step' => 1, 'platform' => 1, 'course' => 1])));
            $in = $this->arrive($ticket, ['who' => 'new']);
            self::assertSame(['in', $assignment], [$in['step'], $in['assignment']]);
            self::assertSame('student', $this->told('GET', '/api/session')['role']);
            $this->arrive($ticket, [], 404);
        }
        // Again: as who they were, and nothing is asked.
        $in = $this->arrive($this->ticket(['user' => 'u-1', 'name' => 'Called otherwise']));
        self::assertSame(['in', 'Ilse'], [$in['step'], $in['name']]);
        $students = $this->arrive($this->ticket(['user' => 't-1', 'role' => 'teacher']))['step'];
        self::assertSame('in', $students);
        $names = array_map(StoryTest::text(...), array_column((array) $this->told('GET', "/api/classes/{$class}")['students'], 'firstName'));
        self::assertCount(2, array_unique($names));
    }

    public function testBeforeTheTeacherThereIsNothingToComeTo(): void
    {
        $ticket = $this->ticket(['user' => 'u-1']);
        self::assertSame('wait', $this->arrive($ticket, ['who' => 'new'])['step']);
        self::assertSame('not-meant', $this->arrive($this->ticket(['user' => 'm-1', 'role' => 'observer']), ['who' => 'new'])['step']);
        self::assertSame('not-meant', $this->arrive($this->ticket(['user' => 'u-1', 'message' => 'deep']))['step']);
    }

    /** Who has an account comes with it, where it can be theirs. */
    public function testAnAccountThatIsThereIsJoinedByWhoIsSignedInWithIt(): void
    {
        $ticket = $this->ticket(['user' => 't-1', 'role' => 'teacher', 'name' => 'Sam']);
        self::assertSame('lti.sign-in-first', $this->arrive($ticket, ['who' => 'me'], 409)['code']);
        $before = $this->entities()->getRepository(User::class)->count([]);
        foreach (['sam', 'olga', 'gil'] as $other) {
            $this->client->loginUser($this->people[$other], 'api');
            self::assertSame('lti.other-account', $this->arrive($ticket, ['who' => 'me'], 409)['code'], $other);
        }
        $this->client->loginUser($this->people['tara'], 'api');
        $there = $this->arrive($ticket, ['who' => 'me']);
        self::assertSame(['class', [(string) $this->classroom->id]], [$there['step'], array_column((array) $there['classes'], 'id')]);
        $this->arrive($ticket, ['class' => (string) Uuid::v7()], 404);
        $there = $this->arrive($ticket, ['class' => (string) $this->classroom->id]);
        self::assertSame([(string) $this->assignment->id], array_column((array) $there['tasks'], 'id'));
        self::assertSame('in', $this->arrive($ticket, ['task' => (string) $this->assignment->id])['step']);
        self::assertSame($before, $this->entities()->getRepository(User::class)->count([]));

        // A second person of the platform is not the same one here.
        $ticket = $this->ticket(['user' => 't-2', 'role' => 'teacher']);
        $this->client->loginUser($this->people['tara'], 'api');
        self::assertSame('lti.account-taken', $this->arrive($ticket, ['who' => 'me'], 409)['code']);
        // An assistant helps.
        $ticket = $this->ticket(['user' => 'h-1', 'role' => 'helper', 'name' => 'Wim']);
        self::assertSame('in', $this->arrive($ticket, ['who' => 'new'])['step']);
        $helper = $this->entities()->getRepository(User::class)->findOneBy(['firstName' => 'Wim']);
        self::assertNotNull($helper);
        self::assertSame(Part::Helper, $this->entities()->find(Classroom::class, $this->classroom->id)?->part($helper));
    }

    /** A new year: the course is asked for anew, and what its links lead to. */
    public function testACourseIsAnotherClassInANewYear(): void
    {
        [$class] = $this->opened();
        $this->told('POST', "/api/classes/{$class}/archive");
        $ticket = $this->ticket(['user' => 't-1', 'role' => 'teacher']);
        self::assertSame(['class', []], array_values(array_intersect_key($this->arrive($ticket), ['step' => 1, 'classes' => 1])));
        $there = $this->arrive($ticket, ['class' => 'new']);
        self::assertSame('task', $there['step']);
        self::assertNotSame($class, $there['classroom']);
        self::assertSame(['in', null], array_values(array_intersect_key($this->arrive($this->ticket(['user' => 'u-1']), ['who' => 'new']), ['step' => 1, 'assignment' => 1])));
        // Where the platform tells no names, who comes has one that their teacher changes.
        foreach (['u-7', 'u-8'] as $user) {
            self::assertSame('in', $this->arrive($this->ticket(['user' => $user, 'name' => ' ']), ['who' => 'new'])['step']);
        }
        self::assertSame(['Ilse', 'Unnamed', 'Unnamed 2'], array_column((array) $this->as('ada')->told('GET', '/api/classes/' . StoryTest::text($there['classroom']))['students'], 'firstName'));
        // Whoever was a student there and teaches by now is not let in as both.
        self::assertSame('lti.other-account', $this->arrive($this->ticket(['user' => 'u-1', 'role' => 'teacher']), [], 409)['code']);
    }

    /** @return iterable<string, array{string, LaunchFault}> */
    public static function faults(): iterable
    {
        foreach ([
            'issuer' => LaunchFault::Issuer, 'no-issuer' => LaunchFault::Issuer, 'audience' => LaunchFault::Audience, 'many-audiences' => LaunchFault::AuthorisedParty,
            'party' => LaunchFault::AuthorisedParty, 'expired' => LaunchFault::Time, 'no-end' => LaunchFault::Time, 'no-begin' => LaunchFault::Time, 'old' => LaunchFault::Time,
            'too-long' => LaunchFault::Time, 'future' => LaunchFault::Time, 'nonce' => LaunchFault::Nonce, 'no-nonce' => LaunchFault::Nonce, 'deployment' => LaunchFault::Deployment,
            'no-deployment' => LaunchFault::Deployment, 'version' => LaunchFault::Version, 'message' => LaunchFault::Message, 'no-subject' => LaunchFault::Subject,
            'long-subject' => LaunchFault::Subject, 'no-roles' => LaunchFault::Roles, 'no-link' => LaunchFault::Link, 'course-unnamed' => LaunchFault::Link, 'target' => LaunchFault::Target,
            'scores-in-a-file' => LaunchFault::Address, 'key-unknown' => LaunchFault::KeyUnknown, 'key-unnamed' => LaunchFault::KeyUnnamed, 'signature' => LaunchFault::Signature,
            'public-as-secret' => LaunchFault::Algorithm, 'unsigned' => LaunchFault::Algorithm, 'tampered' => LaunchFault::Signature, 'two-parts' => LaunchFault::Shape,
        ] as $fault => $why) {
            yield $fault => [$fault, $why];
        }
    }

    /** Nobody comes in by a message that is wrong in any way; whoever looks after the platform reads why, and whoever came does not. */
    #[DataProvider('faults')]
    public function testWhatIsWrongIsNotBelieved(string $fault, LaunchFault $why): void
    {
        self::assertNull($this->posted($this->begun(['fault' => $fault])));
        self::assertStringNotContainsString($why->value, (string) $this->client->getResponse()->getContent());
        self::assertSame('null', (string) $this->ask('GET', '/api/session')->getContent());
        self::assertSame($why->value, $this->fault());
        self::assertSame([], array_diff(array_keys(LearningPlatform::faults()), array_keys([...self::faults()])), 'every one that the stand-in knows');
    }

    public function testALaunchIsGoodOnceAndInItsOwnBrowser(): void
    {
        $fields = $this->begun(['user' => 'u-1']);
        self::assertNotNull($this->posted($fields));
        self::assertNull($this->posted($fields), 'the same again');
        $first = $this->begun(['user' => 'u-1']);
        $second = $this->begun(['user' => 't-1', 'role' => 'teacher']);
        self::assertNull($this->posted(['state' => $first['state'], 'id_token' => $second['id_token']]), 'another launch’s message');
        self::assertSame('nonce', $this->fault());
        self::assertNull($this->posted(['state' => 'made up', 'id_token' => $second['id_token']]));
        self::assertNull($this->posted(['error' => 'login_required', 'state' => $second['state']]));

        // Somebody has begun it and has another's browser post it: the other is not let in as them.
        $ticket = $this->ticket(['user' => 'u-1']);
        $this->client->getCookieJar()->clear();
        $this->arrive($ticket, ['who' => 'new'], 404);
        self::assertSame('null', (string) $this->ask('GET', '/api/session')->getContent());
        // Too late.
        $ticket = $this->ticket(['user' => 'u-1']);
        $this->entities()->getConnection()->executeStatement("UPDATE lti_arrival SET until = '2020-01-01'");
        $this->arrive($ticket, ['who' => 'new'], 404);
    }

    public function testNobodyIsSentAnywhereElse(): void
    {
        $good = ['iss' => self::HERE, 'client_id' => LearningPlatform::CLIENT, 'login_hint' => 'u', 'target_link_uri' => self::TOOL . '/api/lti/launch'];
        foreach ([['iss' => 'http://elsewhere.example'], ['client_id' => 'another'], ['login_hint' => null], ['target_link_uri' => 'http://elsewhere.example/'], ['iss' => ['a']]] as $wrong) {
            $query = http_build_query(array_filter($wrong + $good, static fn(mixed $one): bool => null !== $one));
            self::assertSame(400, $this->ask('GET', "/api/lti/login?{$query}")->getStatusCode(), $query);
        }
        // In another site's frame, where no cookie is kept, it is opened in a tab of its own, and by the platform's page alone.
        $framed = $this->ask('GET', '/api/lti/login?' . http_build_query($good), null, ['Sec-Fetch-Dest' => 'iframe']);
        self::assertSame(200, $framed->getStatusCode());
        self::assertStringContainsString('target="_blank"', (string) $framed->getContent());
        self::assertStringContainsString('frame-ancestors ' . self::HERE, (string) $framed->headers->get('Content-Security-Policy'));
        self::assertFalse($framed->headers->has('Set-Cookie'));
    }

    /** Keys are fetched once for many; a new one is found; and nobody can have us knock at the platform as often as they like. */
    public function testItsKeysAreKeptAndFoundAnewWhenTheyTurn(): void
    {
        $fetched = fn(): int => \count(array_filter($this->platform->told(), static fn(mixed $one): bool => \is_array($one) && 'keys' === $one[0]));
        for ($n = 0; $n < 3; ++$n) {
            $this->ticket(['user' => 'u-1']);
        }
        self::assertSame(1, $fetched());
        for ($n = 0; $n < 3; ++$n) {
            self::assertNull($this->posted($this->begun(['fault' => 'key-unknown'])));
        }
        self::assertSame(1, $fetched(), 'not again within half a minute');
        $this->platform->answer('GET', '/turn-key', [], [], '', '');
        self::forget();
        $this->ticket(['user' => 'u-1']);
        self::assertSame(2, $fetched());
    }

    public function testAPlatformIsToldOfOnceAndOnlyByItsSchool(): void
    {
        $this->as('ada');
        self::assertSame('lti.platform-known', $this->told('POST', '/api/school/platforms', self::registration(), 409)['code']);
        $this->as('ada');
        foreach ([['keys' => 'file:///etc/passwd'], ['deployments' => []], ['deployments' => [' ']], ['name' => ' '], ['issuer' => 'no address']] as $wrong) {
            $this->told('POST', '/api/school/platforms', $wrong + ['client' => 'other'] + self::registration(), 422);
        }
        self::assertSame('By another name', $this->told('PUT', "/api/school/platforms/{$this->registered}", ['name' => 'By another name'] + self::registration())['name']);
        self::assertSame([], $this->as('olga')->told('GET', '/api/school/platforms')['platforms']);
        self::assertSame([], $this->as('ada')->told('DELETE', "/api/school/platforms/{$this->registered}")['platforms']);
        self::assertSame(400, $this->as(null)->ask('GET', substr($this->platform->beginning([]), \strlen(self::TOOL)))->getStatusCode());
    }
}
