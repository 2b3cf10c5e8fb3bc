<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Timing\Rate;

/**
 * Reads typed fields out of decoded JSON. Whatever is missing or of the wrong type or range is refused
 * with the field's path, so that everything behind it can rely on its types.
 */
final readonly class Fields
{
    /** @param array<array-key, mixed> $data */
    private function __construct(private array $data, private string $path) {}

    /** @throws Malformed when $data is not an object */
    public static function of(mixed $data, string $path = ''): self
    {
        if (!\is_array($data)) {
            throw '' === $path ? new Malformed('document.not-an-object') : self::wrong($path, 'field.object');
        }

        return new self($data, $path);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->data));
    }

    /**
     * The same fields and others.
     *
     * @param array<string, mixed> $more
     */
    public function with(array $more): self
    {
        return new self([...$this->data, ...$more], $this->path);
    }

    /** What stands there, unread; null where nothing does. For what is handed on to be read. */
    public function raw(string $key): mixed
    {
        return $this->data[$key] ?? null;
    }

    /** @return array<string, mixed> all that stands there, unread */
    public function all(): array
    {
        return array_combine($this->keys(), array_values($this->data));
    }

    public function has(string $key): bool
    {
        return isset($this->data[$key]);
    }

    /** Letters, digits, dash, underscore: nothing that means something in a path or a query. */
    public const ID = '/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/D';

    /**
     * What text never holds: control characters but line breaks and tabs; what Unicode sets aside as no character at all (section
     * 23.7), which XML cannot hold; and the marks that turn the direction of all that follows (UAX 9), by which a title could
     * disturb the page around it. Marks of one place (LRM, RLM, joiners) stay.
     */
    private const NEVER = '/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F\x{202A}-\x{202E}\x{2066}-\x{2069}\x{FDD0}-\x{FDEF}\x{FFFE}\x{FFFF}\x{1FFFE}\x{1FFFF}\x{2FFFE}\x{2FFFF}'
        . '\x{3FFFE}\x{3FFFF}\x{4FFFE}\x{4FFFF}\x{5FFFE}\x{5FFFF}\x{6FFFE}\x{6FFFF}\x{7FFFE}\x{7FFFF}\x{8FFFE}\x{8FFFF}\x{9FFFE}\x{9FFFF}'
        . '\x{AFFFE}\x{AFFFF}\x{BFFFE}\x{BFFFF}\x{CFFFE}\x{CFFFF}\x{DFFFE}\x{DFFFF}\x{EFFFE}\x{EFFFF}\x{FFFFE}\x{FFFFF}\x{10FFFE}\x{10FFFF}]/u';
    /** What leaves no mark on the page: spaces, joiners and the like, and letters that are blank. */
    private const UNSEEN = '/[\p{Z}\p{Cc}\p{Cf}\x{034F}\x{115F}\x{1160}\x{17B4}\x{17B5}\x{180B}-\x{180F}\x{2800}\x{3164}\x{FE00}-\x{FE0F}\x{FFA0}\x{E0100}-\x{E01EF}]+/u';

    /** Text in valid UTF-8, normalised to NFC, without what text never holds. $min counts what can be seen. */
    public function text(string $key, int $max = 5000, ?string $default = null, int $min = 0): string
    {
        $given = $this->data[$key] ?? $default;
        if (!\is_string($given) || !mb_check_encoding($given, 'UTF-8')) {
            throw $this->bad($key, 'field.text');
        }
        $value = self::cleaned($given);
        $problem = self::problemOf($value, $max, $min);
        if (null !== $problem) {
            throw $this->bad($key, $problem->code, $problem->parameters);
        }

        return $value;
    }

    /** Valid UTF-8, normalised to NFC, without what text never holds. */
    public static function cleaned(string $text): string
    {
        $value = (string) preg_replace(self::NEVER, '', str_replace(["\r\n", "\r"], "\n", $text));
        $composed = \Normalizer::normalize($value, \Normalizer::FORM_C);

        return \is_string($composed) ? $composed : $value;
    }

    /** What is wrong with a text that is cleaned, to be said of a {field}; null where nothing is. */
    public static function problemOf(string $text, int $max, int $min = 0): ?Message
    {
        $length = mb_strlen($text);

        return match (true) {
            $length > $max => new Message('field.too-long', ['length' => $length, 'most' => $max]),
            $min > 0 && mb_strlen((string) preg_replace(self::UNSEEN, '', $text)) < $min => new Message('field.empty'),
            default => null,
        };
    }

    public function textOrNull(string $key, int $max = 5000): ?string
    {
        return isset($this->data[$key]) ? $this->text($key, $max) : null;
    }

    public function id(string $key): string
    {
        $value = $this->data[$key] ?? null;
        if (!\is_string($value) || 1 !== preg_match(self::ID, $value)) {
            throw $this->bad($key, 'field.id');
        }

        return $value;
    }

    public function idOrNull(string $key): ?string
    {
        return isset($this->data[$key]) ? $this->id($key) : null;
    }

    /** @return list<string> */
    public function ids(string $key): array
    {
        $ids = [];
        foreach ($this->items($key) as $index => $value) {
            $ids[] = (new self(['id' => $value], "{$this->path}{$key}[{$index}]."))->id('id');
        }

        return $ids;
    }

    public function whole(string $key, int $min, int $max, ?int $default = null): int
    {
        $value = $this->data[$key] ?? $default;
        if (!\is_int($value) || $value < $min || $value > $max) {
            throw $this->bad($key, 'field.whole', ['least' => $min, 'most' => $max]);
        }

        return $value;
    }

    /** A number of degrees that is a quarter turn or several. @return int<0, 3> how many */
    public function quarters(string $key, ?int $default = null): int
    {
        $value = $this->whole($key, 0, 270, $default);

        return match ($value) {
            0 => 0,
            90 => 1,
            180 => 2,
            270 => 3,
            default => throw $this->bad($key, 'field.quarters'),
        };
    }

    public function number(string $key, float $min, float $max, ?float $default = null): float
    {
        $value = $this->data[$key] ?? $default;
        if ((!\is_int($value) && !\is_float($value)) || !is_finite((float) $value) || $value < $min || $value > $max) {
            throw $this->bad($key, 'field.number', ['least' => $min, 'most' => $max]);
        }

        return (float) $value;
    }

    public function wholeOrNull(string $key, int $min, int $max): ?int
    {
        return isset($this->data[$key]) ? $this->whole($key, $min, $max) : null;
    }

    public function numberOrNull(string $key, float $min, float $max): ?float
    {
        return isset($this->data[$key]) ? $this->number($key, $min, $max) : null;
    }

    public function flag(string $key, ?bool $default = null): bool
    {
        $value = $this->data[$key] ?? $default;
        if (!\is_bool($value)) {
            throw $this->bad($key, 'field.flag');
        }

        return $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     * @param T|null          $default
     *
     * @return T
     */
    public function choice(string $key, string $enum, ?\BackedEnum $default = null): \BackedEnum
    {
        $value = $this->data[$key] ?? $default?->value;
        $case = \is_string($value) ? $enum::tryFrom($value) : null;
        if (null === $case) {
            throw $this->bad(
                $key,
                'field.choice',
                ['choices' => implode(', ', array_map(static fn(\BackedEnum $c): string => (string) $c->value, $enum::cases()))],
            );
        }

        return $case;
    }

    /**
     * Several of them, each once; none where it is left out.
     *
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return list<T>
     */
    public function choices(string $key, string $enum): array
    {
        $chosen = [];
        foreach ($this->items($key) as $value) {
            $case = self::of([$key => $value], $this->path)->choice($key, $enum);
            if (!\in_array($case, $chosen, true)) {
                $chosen[] = $case;
            }
        }

        return $chosen;
    }

    public function object(string $key): self
    {
        return self::of($this->data[$key] ?? null, $this->path . $key . '.');
    }

    public function objectOrNull(string $key): ?self
    {
        return isset($this->data[$key]) ? $this->object($key) : null;
    }

    /** @return list<self> */
    public function objects(string $key): array
    {
        $objects = [];
        foreach ($this->items($key) as $index => $value) {
            $objects[] = self::of($value, "{$this->path}{$key}[{$index}].");
        }

        return $objects;
    }

    /**
     * Pairs of whole numbers, the second larger than the first.
     *
     * @return list<array{int, int}>
     */
    public function pairs(string $key, int $min, int $max): array
    {
        $pairs = [];
        foreach ($this->items($key) as $pair) {
            [$from, $to] = \is_array($pair) ? array_values($pair) + [null, null] : [null, null];
            if (!\is_int($from) || !\is_int($to) || $from < $min || $to <= $from || $to > $max) {
                throw $this->bad($key, 'field.pairs', ['least' => $min, 'most' => $max]);
            }
            $pairs[] = [$from, $to];
        }

        return $pairs;
    }

    /**
     * Places at moments: whole milliseconds that never fall, then shares of a width and a height, 0 to 1.
     *
     * @return list<array{int, float, float}>
     */
    public function moments(string $key): array
    {
        $moments = [];
        $before = 0;
        foreach ($this->items($key) as $moment) {
            [$at, $x, $y] = \is_array($moment) ? array_values($moment) + [null, null, null] : [null, null, null];
            if (!\is_int($at) || !(\is_int($x) || \is_float($x)) || !(\is_int($y) || \is_float($y))
                || $at < $before || $at > Limits::SAMPLES / Rate::SAMPLES_PER_MILLISECOND || $x < 0 || $x > 1 || $y < 0 || $y > 1) {
                throw $this->bad($key, 'field.moments');
            }
            $moments[] = [$at, (float) $x, (float) $y];
            $before = $at;
        }

        return $moments;
    }

    /** @return array<string, self> each named object under the key; none when it is absent */
    public function named(string $key): array
    {
        $objects = [];
        $values = $this->data[$key] ?? [];
        if (!\is_array($values)) {
            throw $this->bad($key, 'field.object');
        }
        foreach ($values as $name => $value) {
            $objects[(string) $name] = self::of($value, "{$this->path}{$key}.{$name}.");
        }

        return $objects;
    }

    /** @return list<mixed> */
    private function items(string $key): array
    {
        $values = $this->data[$key] ?? [];
        if (!\is_array($values) || !array_is_list($values)) {
            throw $this->bad($key, 'field.list');
        }

        return $values;
    }

    /** @param array<string, string|int|float|Message> $parameters */
    private function bad(string $key, string $code, array $parameters = []): Malformed
    {
        return self::wrong($this->path . $key, $code, $parameters);
    }

    /** @param array<string, string|int|float|Message> $parameters */
    private static function wrong(string $path, string $code, array $parameters = []): Malformed
    {
        return new Malformed($code, ['field' => rtrim($path, '.')] + $parameters);
    }
}
