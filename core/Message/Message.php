<?php

declare(strict_types=1);

namespace Rhapsode\Core\Message;

/**
 * Something to be said to a person, by its code in the catalogue (messages/) and what it is said of. Who says it, and in which
 * language, is decided where it is read.
 */
final readonly class Message implements \JsonSerializable
{
    /** @param array<string, string|int|float|self> $parameters by the names that the catalogue gives them; a message stands within another */
    public function __construct(public string $code, public array $parameters = []) {}

    /**
     * What toArray told; null for anything else.
     *
     * @param int $deep how far messages may stand within each other
     */
    public static function read(mixed $told, int $deep = 3): ?self
    {
        if (!\is_array($told) || !\is_string($told['code'] ?? null) || $deep < 1) {
            return null;
        }
        $parameters = [];
        foreach (\is_array($told['parameters'] ?? null) ? $told['parameters'] : [] as $name => $value) {
            $value = \is_array($value) ? self::read($value, $deep - 1) : $value;
            if (\is_string($value) || \is_int($value) || \is_float($value) || $value instanceof self) {
                $parameters[(string) $name] = $value;
            }
        }

        return new self($told['code'], $parameters);
    }

    /** @return array{code: string, parameters?: array<string, mixed>} */
    public function toArray(): array
    {
        $told = array_map(
            static fn(string|int|float|self $value): mixed => $value instanceof self ? $value->toArray() : $value,
            $this->parameters,
        );

        return ['code' => $this->code] + ([] === $told ? [] : ['parameters' => $told]);
    }

    /** @return array{code: string, parameters?: array<string, mixed>} */
    public function jsonSerialize(): array
    {
        return $this->toArray();
    }
}
