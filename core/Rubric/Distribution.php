<?php

declare(strict_types=1);

namespace Rhapsode\Core\Rubric;

/** How often each level of a rubric was given: whether one has been kinder to one than to another shows there first. */
final readonly class Distribution
{
    /**
     * @param int                      $films  that are marked, or half marked, by this very rubric
     * @param array<string, list<int>> $counts by criteria's ids in how many of them each level stands
     */
    private function __construct(public int $films, public array $counts) {}

    /** @param list<Marks> $all those by another rubric, or by an earlier one, are not counted */
    public static function of(Rubric $rubric, array $all): self
    {
        $here = array_filter($all, static fn(Marks $one): bool => null !== $one->given() && $one->rubric->toArray() === $rubric->toArray());
        $counts = [];
        foreach ($rubric->criteria as $criterion) {
            $given = array_map(static fn(Marks $one): ?int => $one->levels[$criterion->id] ?? null, $here);
            $counts[$criterion->id] = array_map(static fn(int $level): int => \count(array_keys($given, $level, true)), array_keys($criterion->levels));
        }

        return new self(\count($here), $counts);
    }

    /** @return array{films: int, counts: array<string, list<int>>} */
    public function toArray(): array
    {
        return ['films' => $this->films, 'counts' => $this->counts];
    }
}
