<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Shape\Fields;
use Rhapsode\Core\Story\Story;

/**
 * What one or more edits changed, as the parts before and after: enough to undo and to do again, whatever the edits
 * were. A part is a field of the story, the order of its slides, or one slide, picture or take by its id; null means that
 * it was not there.
 *
 * @phpstan-type Parts array<string, mixed>
 */
final readonly class Change
{
    private const KEYED = ['slides', 'pictures', 'takes'];

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     */
    private function __construct(private array $before, private array $after) {}

    public static function between(Story $from, Story $to): self
    {
        $old = self::parts($from);
        $new = self::parts($to);
        $before = $after = [];
        foreach (array_keys($old + $new) as $key) {
            if (($old[$key] ?? null) !== ($new[$key] ?? null)) {
                $before[$key] = $old[$key] ?? null;
                $after[$key] = $new[$key] ?? null;
            }
        }

        return new self($before, $after);
    }

    public function isNothing(): bool
    {
        return [] === $this->after;
    }

    public function undone(): self
    {
        return new self($this->after, $this->before);
    }

    public function applyTo(Story $story): Story
    {
        $parts = array_replace(self::parts($story), $this->after);
        $order = $parts['order'] ?? [];
        $slides = $pictures = $takes = $fields = [];
        foreach (\is_array($order) ? $order : [] as $id) {
            $slides[] = \is_string($id) ? $parts['slides:' . $id] ?? null : null;
        }
        foreach (array_filter($parts, static fn(mixed $part): bool => null !== $part) as $key => $value) {
            [$kind, $id] = explode(':', $key, 2) + [1 => ''];
            match ($kind) {
                'pictures' => $pictures[$id] = $value,
                'takes' => $takes[$id] = $value,
                default => $fields[$key] = $value,
            };
        }

        return Story::fromArray(['slides' => $slides, 'pictures' => $pictures, 'takes' => $takes] + $fields);
    }

    /** @return array{before: array<string, mixed>, after: array<string, mixed>} */
    public function toArray(): array
    {
        return ['before' => $this->before, 'after' => $this->after];
    }

    public static function fromArray(mixed $data): self
    {
        $fields = Fields::of($data);
        $fields->object('before');
        $fields->object('after');
        /** @var array{before: array<string, mixed>, after: array<string, mixed>} $data as just checked */

        return new self($data['before'], $data['after']);
    }

    /** @return array<string, mixed> */
    private static function parts(Story $story): array
    {
        $parts = array_diff_key($story->toArray(), array_flip(self::KEYED));
        $order = [];
        foreach ($story->slides as $slide) {
            $order[] = $slide->id;
            $parts['slides:' . $slide->id] = $slide->toArray();
        }
        foreach ($story->pictures as $id => $picture) {
            $parts['pictures:' . $id] = $picture->toArray();
        }
        foreach ($story->takes as $id => $take) {
            $parts['takes:' . $id] = $take->toArray();
        }

        return ['order' => $order] + $parts;
    }
}
