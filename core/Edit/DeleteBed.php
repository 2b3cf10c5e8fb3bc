<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;

/** Takes a bed away. Its music stays among the makings. */
final readonly class DeleteBed implements Edit
{
    public function __construct(private string $bed) {}

    public function apply(Story $story): Story
    {
        return $story->with(beds: array_values(array_filter($story->beds, fn(Bed $bed): bool => $bed->id !== $this->bed)));
    }
}
