<?php

declare(strict_types=1);

namespace Rhapsode\Core\Rubric;

use Rhapsode\Core\Document\Malformed;

/** A rubric that is filled in, or half filled in: the total follows. */
final readonly class Marks
{
    /** @param array<string, int> $levels by criteria's ids the places of levels that they have */
    private function __construct(public Rubric $rubric, public array $levels) {}

    /**
     * @param array<array-key, mixed> $levels by criteria's ids the places of levels, counted from 0; null takes one back
     *
     * @throws Malformed where the rubric has no such criterion or level
     */
    public static function of(Rubric $rubric, array $levels): self
    {
        $known = self::kept($rubric, $levels);
        if ($known->levels != array_filter($levels, static fn(mixed $level): bool => null !== $level)) {
            throw new Malformed('rubric.no-such-level');
        }

        return $known;
    }

    /**
     * What still holds of marks that were given by an earlier rubric.
     *
     * @param array<array-key, mixed> $levels as above
     */
    public static function kept(Rubric $rubric, array $levels): self
    {
        $kept = [];
        foreach ($rubric->criteria as $one) {
            $level = $levels[$one->id] ?? null;
            if (\is_int($level) && isset($one->levels[$level])) {
                $kept[$one->id] = $level;
            }
        }

        return new self($rubric, $kept);
    }

    /** Points of the criteria that were filled in, each by its weight. */
    public function points(): int
    {
        $points = 0;
        foreach ($this->rubric->criteria as $one) {
            $points += isset($this->levels[$one->id]) ? $one->weight * $one->levels[$this->levels[$one->id]]->points : 0;
        }

        return $points;
    }

    /** Its points; null where nothing is filled in yet. */
    public function given(): ?int
    {
        return [] === $this->levels ? null : $this->points();
    }

    public function isWhole(): bool
    {
        return \count($this->levels) === \count($this->rubric->criteria);
    }

    /** @return array{rubric: array<string, mixed>, levels: \stdClass|array<string, int>, points: int, most: int, isWhole: bool} */
    public function toArray(): array
    {
        return [
            'rubric' => $this->rubric->toArray(),
            // An empty object is one, too.
            'levels' => [] === $this->levels ? new \stdClass() : $this->levels,
            'points' => $this->points(), 'most' => $this->rubric->most(), 'isWhole' => $this->isWhole(),
        ];
    }
}
