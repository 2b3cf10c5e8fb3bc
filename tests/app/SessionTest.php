<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Account\NotSignedIn;
use Rhapsode\App\Account\User;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactory;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

final class SessionTest extends AppTestCase
{
    public function testSigningInAndOut(): void
    {
        self::assertSame('null', $this->ask('GET', '/api/session')->getContent());
        $this->told('POST', '/api/session/begin', ['name' => 'sam', 'password' => 'wrong'], 401);
        self::assertSame('Sam', $this->told('POST', '/api/session/begin', ['name' => 'sam', 'password' => 'a password'])['firstName']);
        self::assertSame('student', $this->told('GET', '/api/session')['role']);
        self::assertSame(204, $this->ask('POST', '/api/session/end')->getStatusCode());
        $this->told('GET', '/api/desk', null, 401);
    }

    /** The same work for a name that is there and for one that is not: how long an answer takes tells nothing. */
    public function testAnUnknownNameIsAsMuchWorkAsAKnownOne(): void
    {
        $hasher = new class implements PasswordHasherInterface {
            public int $work = 0;

            public function hash(#[\SensitiveParameter] string $plainPassword): string
            {
                ++$this->work;

                return 'x';
            }

            public function verify(string $hashedPassword, #[\SensitiveParameter] string $plainPassword): bool
            {
                ++$this->work;

                return false;
            }

            public function needsRehash(string $hashedPassword): bool
            {
                return false;
            }
        };
        $refusal = new NotSignedIn(new PasswordHasherFactory([User::class => $hasher]));
        $ask = static fn(string $password): Request => new Request(
            content: json_encode(['name' => 'nobody', 'password' => $password], \JSON_THROW_ON_ERROR),
            server: ['CONTENT_TYPE' => 'application/json'],
        );
        // What a known name costs is one verification, which takes as long as hashing does.
        $refusal->onAuthenticationFailure($ask('wrong'), new BadCredentialsException('', 0, new BadCredentialsException()));
        self::assertSame(0, $hasher->work);
        $refusal->onAuthenticationFailure($ask('wrong'), new BadCredentialsException('', 0, new UserNotFoundException()));
        self::assertSame(1, $hasher->work);
        // Of a password that is too long for it, a hasher makes no work for a known name either.
        $refusal->onAuthenticationFailure($ask(str_repeat('x', 5000)), new BadCredentialsException('', 0, new UserNotFoundException()));
        self::assertSame(1, $hasher->work);
        $this->told('POST', '/api/session/begin', ['name' => 'nobody' . $this->name(), 'password' => 'wrong'], 401);
    }

    /** A session that an earlier version wrote asks for a sign-in, and breaks nothing. */
    public function testASessionKeepsNothingThatOneCouldComeInWith(): void
    {
        $sam = $this->people['sam'];
        $kept = serialize($sam);
        self::assertStringNotContainsString($sam->password, $kept);
        $again = unserialize($kept, ['allowed_classes' => [User::class]]);
        self::assertInstanceOf(User::class, $again);
        self::assertTrue($again->isEqualTo($sam));
        $sam->password .= 'x';
        self::assertFalse($again->isEqualTo($sam));
        $old = (new \ReflectionClass(User::class))->newInstanceWithoutConstructor();
        $old->__unserialize(['id' => $sam->id, 'name' => 'sam', 'password' => $sam->password]);
        self::assertFalse($old->isEqualTo($sam));
    }

    public function testSigningOutLeavesNothingForTheNextAtThisComputer(): void
    {
        $response = $this->as('sam')->ask('POST', '/api/session/end');
        // Clear-Site-Data (W3C). Not "storage": there lie recordings that were not sent yet.
        self::assertSame('"cache"', $response->headers->get('Clear-Site-Data'));
    }

    public function testAForeignHostIsRefused(): void
    {
        $this->client->request('GET', '/api/session', server: ['HTTP_HOST' => 'elsewhere.example']);
        self::assertSame(400, $this->client->getResponse()->getStatusCode());
        self::assertStringNotContainsString('elsewhere', (string) $this->client->getResponse()->getContent());
    }

    public function testWhatAPageThrewIsNamedByItsRequest(): void
    {
        $response = $this->ask(
            'POST',
            '/api/trouble',
            ['where' => 'The sheet', 'what' => 'TypeError: x is undefined' . str_repeat('!', 5000)],
        );
        self::assertSame(204, $response->getStatusCode());
        $id = (string) $response->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[0-9a-f]{16}$/', $id);
        $file = \dirname(__DIR__, 2) . '/var/log/test.log';
        $log = (string) file_get_contents($file, offset: max(0, (int) filesize($file) - 20_000));
        self::assertMatchesRegularExpression(
            "/a page threw.*x is undefined!{900,1990}[^!].*{$id}/",
            $log,
            'and no more of it than a line holds',
        );
    }

    /** The application's own role reads and writes rows, and nothing else. */
    public function testTheDatabaseRoleOwnsNothing(): void
    {
        $database = $this->entities()->getConnection();
        self::assertFalse(
            $database->fetchOne('SELECT rolsuper OR rolcreatedb OR rolcreaterole FROM pg_roles WHERE rolname = current_user'),
        );
        foreach (['CREATE TABLE extra (id INT)', 'DROP TABLE session', "COPY (SELECT 1) TO PROGRAM 'true'"] as $sql) {
            try {
                $database->transactional(static fn(): mixed => $database->executeStatement($sql));
                self::fail("it may {$sql}");
            } catch (\Doctrine\DBAL\Exception $problem) {
                self::assertMatchesRegularExpression('/permission denied|must be owner|must be superuser/', $problem->getMessage());
            }
        }
    }

    public function testGuessingIsSlowedDown(): void
    {
        for ($i = 0; $i < 6; ++$i) {
            $this->told('POST', '/api/session/begin', ['name' => 'guessed' . $this->name(), 'password' => "try {$i}"], 401);
        }
        $this->told('POST', '/api/session/begin', ['name' => 'guessed' . $this->name(), 'password' => 'try 7'], 429);
    }

    public function testAnotherSitesPageCanDoNothing(): void
    {
        $this->as('sam');
        foreach ([
            ['HTTP_ORIGIN' => 'https://elsewhere.example'],
            ['HTTP_SEC_FETCH_SITE' => 'cross-site'],
            ['HTTP_SEC_FETCH_SITE' => 'same-site'],
            [],
        ] as $server) {
            $this->client->request('POST', '/api/stories', server: $server, content: '{"title":"Forged"}');
            self::assertSame(403, $this->client->getResponse()->getStatusCode());
        }
        foreach ([['HTTP_ORIGIN' => 'http://localhost'], ['HTTP_SEC_FETCH_SITE' => 'same-origin']] as $server) {
            $this->client->request(
                'POST',
                '/api/stories',
                server: $server + ['CONTENT_TYPE' => 'application/json'],
                content: '{"title":"Mine"}',
            );
            self::assertSame(201, $this->client->getResponse()->getStatusCode());
        }
    }

    public function testErrorsTellNothingOfTheServer(): void
    {
        $this->as('sam');
        $this->client->request('GET', '/api/nowhere');
        $text = (string) $this->client->getResponse()->getContent();

        self::assertSame('application/problem+json', $this->client->getResponse()->headers->get('Content-Type'));
        self::assertDoesNotMatchRegularExpression('/Symfony|Exception|\.php|vendor/', $text);
        self::assertTrue($this->client->getResponse()->headers->has('X-Request-Id'));
    }

    public function testHealthLooksAtTheDatabaseTheStoreAndTheQueue(): void
    {
        self::assertTrue($this->told('GET', '/api/health')['well']);
        $this->entities()->getConnection()->executeStatement(
            "INSERT INTO queue_message (queue, body, headers, available_at) VALUES ('films', '', '[]', ?)",
            [(int) (microtime(true) * 1000) - 2_000_000],
        );
        self::assertSame(2000, $this->told('GET', '/api/health', null, 503)['queueSeconds']);
    }
}
