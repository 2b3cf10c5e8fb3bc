<?php

declare(strict_types=1);

namespace Rhapsode\Core\Rubric;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Message\Message;

/** What a film is marked by: criteria, each with levels in sentences and points. */
final readonly class Rubric
{
    /** @param list<Criterion> $criteria one or more, each with an id of its own */
    public function __construct(public string $title, public array $criteria) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $criteria = array_map(Criterion::read(...), $in->objects('criteria'));
        if ([] === $criteria || \count($criteria) > Limits::CRITERIA) {
            throw new Malformed(new Message('rubric.criteria', ['most' => Limits::CRITERIA]));
        }
        $ids = array_map(static fn(Criterion $one): string => $one->id, $criteria);
        if (\count(array_unique($ids)) < \count($ids)) {
            throw new Malformed('rubric.same-id');
        }

        return new self(trim($in->text('title', Limits::TITLE, min: 1)), $criteria);
    }

    /** Every point there is to be had. */
    public function most(): int
    {
        return array_sum(array_map(static fn(Criterion $one): int => $one->most(), $this->criteria));
    }

    /** @return array{title: string, criteria: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return ['title' => $this->title, 'criteria' => array_map(static fn(Criterion $one): array => $one->toArray(), $this->criteria)];
    }
}
