<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;

/** Changes parts of a bed; what is not told stays as it is. */
final readonly class SetBed implements Edit
{
    /** @param array<string, mixed> $changes properties of Bed by name */
    public function __construct(private string $bed, private array $changes) {}

    public function apply(Story $story): Story
    {
        foreach (['from', 'to'] as $end) {
            if (\is_string($this->changes[$end] ?? null) && null === $story->indexOf($this->changes[$end])) {
                throw new Refused('edit.slide-gone');
            }
        }
        $found = false;
        $beds = array_map(function (Bed $bed) use (&$found): Bed {
            $found = $found || $bed->id === $this->bed;

            return $bed->id === $this->bed ? $bed->with(...$this->changes) : $bed;
        }, $story->beds);

        return $found ? $story->with(beds: $beds) : throw new Refused('edit.bed-gone');
    }
}
