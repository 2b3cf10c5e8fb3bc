<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;

final readonly class Rename implements Edit
{
    public function __construct(private string $title) {}

    public function apply(Story $story): Story
    {
        return $story->with(title: $this->title);
    }
}
