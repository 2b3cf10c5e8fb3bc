<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;

/** Puts measured music into the story and lays it under all of it. */
final readonly class AddMusic implements Edit
{
    public function __construct(private Music $music, private string $bed) {}

    public function apply(Story $story): Story
    {
        return (new AddBed(new Bed($this->bed, $this->music->id)))->apply($story->withAsset($this->music));
    }
}
