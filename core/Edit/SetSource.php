<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Source;
use Rhapsode\Core\Story\Story;

/** Whose work pictures are. */
final readonly class SetSource implements Edit
{
    /** @param list<string> $pictures */
    public function __construct(private array $pictures, private Source $source) {}

    public function apply(Story $story): Story
    {
        $pictures = $story->pictures;
        foreach ($this->pictures as $id) {
            if (!isset($pictures[$id])) {
                throw new Refused('The story does not hold that picture.');
            }
            $pictures[$id] = $pictures[$id]->withSource($this->source);
        }

        return $story->with(pictures: $pictures);
    }
}
