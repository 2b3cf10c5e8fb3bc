<?php

declare(strict_types=1);

namespace Rhapsode\Core\Rubric;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Message\Message;

/** One thing that is looked at, with its levels in the order in which they stand. */
final readonly class Criterion
{
    /**
     * @param int         $weight how many times its points count, 1 to Limits::WEIGHT
     * @param non-empty-list<Level> $levels two or more
     */
    public function __construct(public string $id, public string $name, public int $weight, public array $levels) {}

    /** @throws Malformed where it has fewer than two levels, or too many */
    public static function read(Fields $in): self
    {
        $levels = array_map(Level::read(...), $in->objects('levels'));
        if (\count($levels) < 2 || \count($levels) > Limits::LEVELS) {
            throw new Malformed(new Message('rubric.levels', ['most' => Limits::LEVELS]));
        }

        return new self(
            $in->id('id'),
            trim($in->text('name', Limits::RUBRIC_TEXT, min: 1)),
            $in->whole('weight', 1, Limits::WEIGHT, 1),
            $levels,
        );
    }

    /** The most that it can be worth, its weight counted. */
    public function most(): int
    {
        return $this->weight * max(array_map(static fn(Level $level): int => $level->points, $this->levels));
    }

    /** @return array{id: string, name: string, weight: int, levels: list<array{sentence: string, points: int}>} */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'weight' => $this->weight,
            'levels' => array_map(static fn(Level $level): array => $level->toArray(), $this->levels),
        ];
    }
}
