<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Yaml\Yaml;

/** The published contract: schema/openapi.yaml (OpenAPI 3.1, whose schemas are JSON Schema 2020-12). */
final class Contract
{
    private const BASE = 'https://rhapsode.example/schema/';

    /** @var array{paths: array<string, array<string, array{requestBody?: array{content: array<string, mixed>}, responses: array<string, array<string, mixed>>}>>}|null */
    private static ?array $document = null;
    private static ?Validator $validator = null;

    /**
     * Every answer is one that the contract promises, and what was asked and done is what the contract allows to ask.
     *
     * @param string|null $type what kind of body was sent; null where none was, or one that is wrong on purpose
     * @param string      $body as JSON; of a form, its fields
     */
    public function check(string $method, string $path, Response $response, ?string $type = null, string $body = ''): void
    {
        [$template, $operation] = $this->operation($method, $path);
        if (null !== $type && $response->isSuccessful()) {
            Assert::assertArrayHasKey(
                $type,
                $operation['requestBody']['content'] ?? [],
                "{$method} {$template} is not said to take {$type}",
            );
            $this->valid($body, self::schema($template, $method, 'requestBody', 'content', $type, 'schema'));
        }
        $status = (string) $response->getStatusCode();
        Assert::assertArrayHasKey(
            $status,
            $operation['responses'],
            "{$method} {$template} is not said to answer {$status}: " . $response->getContent(),
        );
        $content = $operation['responses'][$status]['content'] ?? [];
        if (!\is_array($content) || [] === $content) {
            Assert::assertSame('', (string) $response->getContent());

            return;
        }
        $type = explode(';', (string) $response->headers->get('Content-Type'))[0];
        Assert::assertArrayHasKey($type, $content, "{$method} {$template} answers {$status} as {$type}");
        if (str_ends_with($type, 'json')) {
            $this->valid(
                (string) $response->getContent(),
                self::schema($template, $method, 'responses', $status, 'content', $type, 'schema'),
            );
        }
    }

    private static function schema(string $template, string $method, string ...$keys): string
    {
        $pointer = implode('/', array_map(
            static fn(string $k): string => str_replace(['~', '/'], ['~0', '~1'], $k),
            ['paths', $template, strtolower($method), ...$keys],
        ));

        return self::BASE . 'openapi.json#/' . implode('/', array_map(rawurlencode(...), explode('/', $pointer)));
    }

    /** A stored story is one of schema/story.schema.json. */
    public function checkStory(string $json): void
    {
        $this->valid($json, self::BASE . 'story.schema.json');
    }

    /** @return list<array{string, string}> method and path template of every operation */
    public static function operations(): array
    {
        $operations = [];
        foreach (self::document()['paths'] as $path => $methods) {
            foreach (array_keys($methods) as $method) {
                $operations[] = [strtoupper($method), $path];
            }
        }

        return $operations;
    }

    private function valid(string $json, string $schema): void
    {
        $result = self::validator()->validate(json_decode($json, false, 64, \JSON_THROW_ON_ERROR), $schema);
        $error = $result->error();
        Assert::assertNull($error, null === $error ? '' : (string) json_encode((new ErrorFormatter())->format($error), \JSON_PRETTY_PRINT));
    }

    /** @return array{string, array{requestBody?: array{content: array<string, mixed>}, responses: array<string, array<string, mixed>>}} */
    private function operation(string $method, string $path): array
    {
        $path = explode('?', $path)[0];
        foreach (self::document()['paths'] as $template => $methods) {
            if (1 === preg_match(
                '#^' . preg_replace('/\\\{\w+\\\}/', '[^/]+', preg_quote($template, '#')) . '$#',
                $path,
            ) && isset($methods[strtolower($method)])) {
                return [$template, $methods[strtolower($method)]];
            }
        }
        Assert::fail("{$method} {$path} is not in the contract");
    }

    /** @return array{paths: array<string, array<string, array{requestBody?: array{content: array<string, mixed>}, responses: array<string, array<string, mixed>>}>>} */
    private static function document(): array
    {
        if (null === self::$document) {
            /** @var array{paths: array<string, array<string, array{requestBody?: array{content: array<string, mixed>}, responses: array<string, array<string, mixed>>}>>} $document */
            $document = Yaml::parseFile(\dirname(__DIR__, 2) . '/schema/openapi.yaml');
            self::$document = $document;
        }

        return self::$document;
    }

    private static function validator(): Validator
    {
        if (null === self::$validator) {
            self::$validator = new Validator();
            $schema = (string) json_encode(['$id' => self::BASE . 'openapi.json'] + self::document());
            self::$validator->resolver()?->registerRaw((object) json_decode($schema), self::BASE . 'openapi.json');
            self::$validator->resolver()?->registerRaw(
                (string) file_get_contents(\dirname(__DIR__, 2) . '/schema/story.schema.json'),
                self::BASE . 'story.schema.json',
            );
        }

        return self::$validator;
    }
}
