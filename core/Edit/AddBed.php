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
            throw new Refused('edit.music-gone');
        }
        if (\count($story->beds) >= Limits::BEDS) {
            throw new Refused('edit.beds-full', ['most' => Limits::BEDS]);
        }
        foreach ($story->beds as $bed) {
            if ($bed->id === $this->bed->id) {
                throw new Refused('edit.bed-twice');
            }
        }

        return $story->with(beds: [...$story->beds, $this->bed]);
    }
}
