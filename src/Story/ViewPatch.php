<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

/**
 * What changed between two views of a story, as a JSON Patch (RFC 6902), told from what is remembered of the earlier one: a hash
 * of each of its parts. A story of two hundred slides of which one was edited is answered in a few hundred bytes.
 *
 * @phpstan-type View array<string, mixed>
 * @phpstan-type Op array{op: string, path: string, from?: string, value?: mixed}
 */
final readonly class ViewPatch
{
    /** Lists whose items are told apart by their ids. */
    private const BY_ID = ['story/slides', 'plan/scenes'];
    /** Lists that are compared place by place. */
    private const BY_PLACE = ['plan/cues', 'plan/plays'];
    /** Objects of named things. */
    private const BY_NAME = ['story', 'plan', 'story/assets', 'waveforms'];

    /** @param array<string, string|array<array-key, string>> $parts hash by path; of a list or object, those of its items */
    private function __construct(private array $parts) {}

    /** @param View $view */
    public static function remember(array $view): self
    {
        $parts = [];
        foreach (['story', 'plan', 'praise', 'proof', 'waveforms'] as $key) {
            self::take($key, self::plain($view[$key] ?? null), $parts);
        }

        return new self($parts);
    }

    /**
     * @param self $later what is remembered of the later view
     * @param View $view  the later view
     *
     * @return list<Op>
     */
    public function to(self $later, array $view): array
    {
        $ops = [];
        foreach ($later->parts as $path => $now) {
            $then = $this->parts[$path] ?? null;
            if ($now === $then) {
                continue;
            }
            $value = self::at($view, $path);
            array_push($ops, ...match (true) {
                !\is_array($now) || !\is_array($then) || !\is_array($value) => [
                    ['op' => 'replace', 'path' => '/' . $path, 'value' => $value],
                ],
                \in_array($path, self::BY_ID, true) => self::listed($path, $then, $now, $value),
                \in_array($path, self::BY_PLACE, true) => self::placed($path, array_values($then), array_values($now), $value),
                default => self::named($path, $then, $now, $value),
            });
        }

        return $ops;
    }

    /** @param array<string, string|array<array-key, string>> $parts */
    private static function take(string $path, mixed $value, array &$parts): void
    {
        if (!\is_array($value)) {
            $parts[$path] = self::hash($value);

            return;
        }
        if (\in_array($path, self::BY_NAME, true) && 'waveforms' !== $path && 'story/assets' !== $path) {
            foreach ($value as $key => $part) {
                self::take("{$path}/{$key}", self::plain($part), $parts);
            }

            return;
        }
        if (!\in_array($path, [...self::BY_ID, ...self::BY_PLACE, ...self::BY_NAME], true)) {
            $parts[$path] = self::hash($value);

            return;
        }
        $items = [];
        foreach ($value as $key => $item) {
            $id = \in_array($path, self::BY_ID, true) && \is_array($item) && \is_string($item['id'] ?? null) ? $item['id'] : $key;
            $items[$id] = self::hash($item);
        }
        $parts[$path] = $items;
    }

    /**
     * @param array<array-key, string> $then
     * @param array<array-key, string> $now
     * @param array<array-key, mixed>  $items
     *
     * @return list<Op>
     */
    private static function listed(string $path, array $then, array $now, array $items): array
    {
        $ops = [];
        $list = array_keys($then);
        for ($i = \count($list) - 1; $i >= 0; --$i) {
            if (!isset($now[$list[$i]])) {
                $ops[] = ['op' => 'remove', 'path' => "/{$path}/{$i}"];
                array_splice($list, $i, 1);
            }
        }
        $items = array_values($items);
        foreach (array_keys($now) as $i => $id) {
            if (($list[$i] ?? null) !== $id) {
                $from = array_search($id, $list, true);
                if (false !== $from) {
                    $ops[] = ['op' => 'move', 'from' => "/{$path}/{$from}", 'path' => "/{$path}/{$i}"];
                    array_splice($list, $from, 1);
                } else {
                    $ops[] = ['op' => 'add', 'path' => "/{$path}/{$i}", 'value' => $items[$i]];
                }
                array_splice($list, $i, 0, [$id]);
            }
            if (isset($then[$id]) && $then[$id] !== $now[$id]) {
                $ops[] = ['op' => 'replace', 'path' => "/{$path}/{$i}", 'value' => $items[$i]];
            }
        }

        return $ops;
    }

    /**
     * @param list<string>            $then
     * @param list<string>            $now
     * @param array<array-key, mixed> $items
     *
     * @return list<Op>
     */
    private static function placed(string $path, array $then, array $now, array $items): array
    {
        $same = 0;
        while (isset($then[$same], $now[$same]) && $then[$same] === $now[$same]) {
            ++$same;
        }
        $end = 0;
        while ($end < min(\count($then), \count($now)) - $same && $then[\count($then) - 1 - $end] === $now[\count($now) - 1 - $end]) {
            ++$end;
        }
        $ops = [];
        for ($i = \count($then) - $end - 1; $i >= $same; --$i) {
            $ops[] = ['op' => 'remove', 'path' => "/{$path}/{$i}"];
        }
        foreach (\array_slice(array_values($items), $same, \count($now) - $end - $same) as $i => $item) {
            $ops[] = ['op' => 'add', 'path' => "/{$path}/" . ($same + $i), 'value' => $item];
        }

        return $ops;
    }

    /**
     * @param array<array-key, string> $then
     * @param array<array-key, string> $now
     * @param array<array-key, mixed>  $items
     *
     * @return list<Op>
     */
    private static function named(string $path, array $then, array $now, array $items): array
    {
        $ops = array_map(
            static fn(int|string $key): array => ['op' => 'remove', 'path' => "/{$path}/{$key}"],
            array_keys(array_diff_key($then, $now)),
        );
        foreach (array_diff_assoc($now, $then) as $key => $_) {
            $ops[] = ['op' => 'add', 'path' => "/{$path}/{$key}", 'value' => $items[$key]];
        }

        return $ops;
    }

    /** @param View $view */
    private static function at(array $view, string $path): mixed
    {
        $value = $view;
        foreach (explode('/', $path) as $key) {
            $value = \is_array($value) ? self::plain($value[$key] ?? null) : null;
        }

        return $value;
    }

    /** An empty object of the answer is an empty list of things by name. */
    private static function plain(mixed $value): mixed
    {
        return $value instanceof \stdClass ? (array) $value : $value;
    }

    private static function hash(mixed $value): string
    {
        return hash('xxh64', json_encode($value, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE));
    }
}
