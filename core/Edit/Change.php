<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/**
 * What one or more edits changed, as the parts before and after: enough to undo and to do again, whatever the edits were. What
 * parts a story has is told by Parts; null means that it was not there.
 */
final readonly class Change
{
    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     */
    private function __construct(private array $before, private array $after) {}

    public static function between(Story $from, Story $to): self
    {
        [$old, $new] = Parts::differing($from, $to);
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

    /**
     * The story with this change made. Where a part is no longer as this change met it, somebody else has changed it since, and
     * theirs stays; lists of what there is are brought together.
     *
     * @throws Refused when none of it can be done any more
     */
    public function applyTo(Story $story): Story
    {
        $current = Parts::of($story, array_map(strval(...), array_keys($this->after)));
        $parts = [];
        foreach ($this->after as $key => $wanted) {
            $now = $current[$key] ?? null;
            $met = $this->before[$key] ?? null;
            if ($now === $met) {
                $parts[$key] = $wanted;
            } elseif (Parts::isOrder($key)) {
                $parts[$key] = Order::merged(self::ids($met), self::ids($wanted), self::ids($now));
            }
        }
        if ([] === $parts && !$this->isNothing()) {
            throw new Refused('edit.changed-by-another');
        }

        return Parts::put($story, $parts);
    }

    /** @return list<string> */
    private static function ids(mixed $order): array
    {
        return \is_array($order) ? array_values(array_filter($order, is_string(...))) : [];
    }

    /** @return array{version: int, before: array<string, mixed>, after: array<string, mixed>} */
    public function toArray(): array
    {
        return ['version' => Story::VERSION, 'before' => $this->before, 'after' => $this->after];
    }

    /** @param Story $story that it was made on, from which a change of an earlier version takes what it did not tell */
    public static function fromArray(mixed $data, Story $story): self
    {
        $fields = Fields::of($data);
        $before = $fields->object('before')->all();
        $after = $fields->object('after')->all();
        if ($fields->has('version')) {
            return new self($before, $after);
        }
        $upgrade = new ChangeFrom1($story);

        return new self($upgrade->parts($before, $after), $upgrade->parts($after, $before));
    }
}
