<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

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
        foreach ([['HTTP_ORIGIN' => 'https://elsewhere.example'], ['HTTP_SEC_FETCH_SITE' => 'cross-site'], ['HTTP_SEC_FETCH_SITE' => 'same-site'], []] as $server) {
            $this->client->request('POST', '/api/stories', server: $server, content: '{"title":"Forged"}');
            self::assertSame(403, $this->client->getResponse()->getStatusCode());
        }
        foreach ([['HTTP_ORIGIN' => 'http://localhost'], ['HTTP_SEC_FETCH_SITE' => 'same-origin']] as $server) {
            $this->client->request('POST', '/api/stories', server: $server, content: '{"title":"Mine"}');
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
        $this->entities()->getConnection()->executeStatement("INSERT INTO queue_message (queue, body, headers, available_at) VALUES ('films', '', '[]', ?)", [(int) (microtime(true) * 1000) - 2_000_000]);
        self::assertSame(2000, $this->told('GET', '/api/health', null, 503)['queueSeconds']);
    }
}
