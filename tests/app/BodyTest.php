<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;

/** What a body must be is said in a sentence that names the field, and nothing of the server. */
final class BodyTest extends AppTestCase
{
    /** @return iterable<string, array{array<string, mixed>|string, int, string}> */
    public static function bodies(): iterable
    {
        yield 'no title' => [['title' => ' '], 422, '“title” must not be empty.'];
        yield 'none at all' => [[], 422, '“title” must be of type string.'];
        yield 'of another kind' => [['title' => ['a']], 422, '“title” must be of type string.'];
        yield 'too long' => [['title' => str_repeat('a', 121)], 422, '“title” is too long: 121 characters, and 120 fit.'];
        yield 'no id' => [['title' => 'A', 'assignment' => '../etc'], 422, '“assignment” must be an id.'];
        yield 'half a body' => ['{"title":', 422, 'The request is not valid JSON.'];
    }

    /** @param array<string, mixed>|string $body */
    #[DataProvider('bodies')]
    public function testAStory(array|string $body, int $status, string $sentence): void
    {
        self::assertSame($sentence, $this->as('sam')->told('POST', '/api/stories', $body, $status)['detail'] ?? null);
    }

    public function testAFilmOfAKindThereIsNot(): void
    {
        $story = $this->as('sam')->story();
        self::assertSame(
            '“container” must be of type int|string.',
            $this->told('POST', "/api/stories/{$story}/films", ['container' => [7]], 422)['detail'],
        );
        self::assertStringNotContainsString(
            'Rhapsode\\',
            (string) json_encode($this->told('POST', "/api/stories/{$story}/films", ['container' => 'avi'], 422), \JSON_UNESCAPED_SLASHES),
        );
    }

    public function testAFormIsNoBody(): void
    {
        $this->as('sam');
        $this->client->request(
            'POST',
            '/api/stories',
            ['title' => 'Forged'],
            server: ['HTTP_X_RHAPSODE' => '1', 'HTTP_ORIGIN' => 'http://localhost'],
        );
        self::assertSame(415, $this->client->getResponse()->getStatusCode());
    }
}
