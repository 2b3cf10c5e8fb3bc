<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Psr\Cache\CacheItemPoolInterface;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Lti\Platform;
use Rhapsode\App\Lti\Wire;
use Rhapsode\Tests\StandIns\LearningPlatform;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;

/** A learning platform sends people, by LTI 1.3 Advantage; the stand-in (tests/stand-ins) plays its part. */
abstract class LtiTestCase extends AppTestCase
{
    protected const HERE = 'http://platform.localhost:18901';
    protected const TOOL = 'http://localhost';

    protected LearningPlatform $platform;
    protected string $registered;

    protected function setUp(): void
    {
        parent::setUp();
        $folder = self::scratch('platform-' . bin2hex(random_bytes(6)));
        $this->platform = new LearningPlatform($folder, self::HERE, self::TOOL, function (): array {
            /** @var array<string, mixed> $keys */
            $keys = $this->told('GET', '/api/lti/keys.json');

            return $keys;
        });
        $answer = function (string $method, string $url, array $options): MockResponse {
            self::assertStringStartsWith(self::HERE, $url);
            $body = \is_string($options['body'] ?? null) ? $options['body'] : '';
            parse_str((string) parse_url($url, \PHP_URL_QUERY), $query);
            parse_str($body, $posted);
            $headers = implode("\n", array_filter((array) ($options['headers'] ?? []), is_string(...)));
            $authorisation = 1 === preg_match('/^Authorization: (.+)$/m', $headers, $found) ? $found[1] : '';
            [$status, $type, $said, $more] = $this->platform->answer($method, (string) parse_url($url, \PHP_URL_PATH), $query, $posted, $body, $authorisation);

            return new MockResponse($said, ['http_code' => $status, 'response_headers' => ["Content-Type: {$type}", ...$more]]);
        };
        self::getContainer()->set(Wire::class, new Wire(new MockHttpClient($answer), true));
        $this->registered = StoryTest::text($this->as('ada')->told('POST', '/api/school/platforms', self::registration(), 201)['id']);
        // What is kept of its keys is another test's.
        self::forget();
    }

    protected static function forget(): void
    {
        $cache = self::getContainer()->get('cache.app');
        \assert($cache instanceof CacheItemPoolInterface);
        $cache->clear();
    }

    /** @return array<string, mixed> */
    protected static function registration(): array
    {
        return [
            'name' => 'Our courses', 'issuer' => self::HERE, 'client' => LearningPlatform::CLIENT, 'deployments' => [LearningPlatform::DEPLOYMENT],
            'authorisation' => self::HERE . '/authorise', 'tokens' => self::HERE . '/token', 'keys' => self::HERE . '/keys',
        ];
    }

    /**
     * Up to the form that the platform has the browser post.
     *
     * @param array<string, string> $asked
     *
     * @return array{state: string, id_token: string}
     */
    protected function begun(array $asked): array
    {
        $this->as(null);
        $response = $this->ask('GET', substr($this->platform->beginning($asked), \strlen(self::TOOL)));
        self::assertSame(302, $response->getStatusCode(), (string) $response->getContent());
        $to = (string) $response->headers->get('Location');
        self::assertStringStartsWith(self::HERE . '/authorise?', $to);
        parse_str((string) parse_url($to, \PHP_URL_QUERY), $query);
        [$status, , $page] = $this->platform->answer('GET', '/authorise', $query, [], '', '');
        self::assertSame(200, $status, $page);
        preg_match_all('/name="(\w+)" value="([^"]*)"/', $page, $found);
        $fields = array_combine($found[1], $found[2]);

        return ['state' => $fields['state'] ?? '', 'id_token' => $fields['id_token'] ?? ''];
    }

    /**
     * @param array<string, string> $fields
     *
     * @return string|null the ticket of whoever is believed
     */
    protected function posted(array $fields): ?string
    {
        $this->client->request('POST', '/api/lti/launch', $fields, server: ['HTTP_ORIGIN' => self::HERE]);
        $response = $this->client->getResponse();
        self::assertContains($response->getStatusCode(), [303, 400], (string) $response->getContent());
        $to = (string) $response->headers->get('Location');

        return 303 === $response->getStatusCode() ? explode('#', $to)[1] : null;
    }

    /** @param array<string, string> $asked */
    protected function ticket(array $asked): string
    {
        return $this->posted($this->begun($asked)) ?? self::fail('they are not believed');
    }

    /**
     * @param array<string, string> $said
     *
     * @return array<string, mixed>
     */
    protected function arrive(string $ticket, array $said = [], int $status = 200): array
    {
        return $this->told('POST', '/api/lti/arrive', ['ticket' => $ticket] + $said, $status);
    }

    protected function fault(): ?string
    {
        $this->entities()->clear();

        return $this->entities()->find(Platform::class, $this->registered)?->fault?->value;
    }

    /**
     * As after the teacher has been here once.
     *
     * @return array{string, string} the class and an assignment
     */
    protected function opened(): array
    {
        $ticket = $this->ticket(['user' => 't-1', 'role' => 'teacher', 'name' => 'Mev']);
        self::assertSame('who', $this->arrive($ticket)['step']);
        self::assertSame('class', $this->arrive($ticket, ['who' => 'new'])['step']);
        $there = $this->arrive($ticket, ['class' => 'new']);
        self::assertSame(['task', []], [$there['step'], $there['tasks']]);
        $class = StoryTest::text($there['classroom']);
        $classroom = $this->entities()->find(Classroom::class, $class);
        self::assertNotNull($classroom);
        $assignment = new Assignment($classroom, 'A river', '', 1, 600, new \DateTimeImmutable('+5 days'));
        $this->entities()->persist($assignment);
        $this->entities()->flush();
        $in = $this->arrive($ticket, ['task' => (string) $assignment->id]);
        self::assertSame(['in', (string) $assignment->id], [$in['step'], $in['assignment']]);

        return [$class, (string) $assignment->id];
    }
}
