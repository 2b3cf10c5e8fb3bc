<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;

/** Lays music under the story once more. */
final readonly class AddBed implements Edit
{
    public function __construct(private Bed $bed) {}

    public function apply(Story $story): Story
    {
        if (null === $story->music($this->bed->asset)) {
            throw new Refused('The story does not hold that music.');
        }
        if (\count($story->beds) >= Limits::BEDS) {
            throw new Refused(\sprintf('A story holds at most %d beds.', Limits::BEDS));
        }
        foreach ($story->beds as $bed) {
            if ($bed->id === $this->bed->id) {
                throw new Refused('That bed is in the story already.');
            }
        }

        return $story->with(beds: [...$story->beds, $this->bed]);
    }
}
