<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Story\Story;

/** The film's shape. Framings that were set are brought to it when the film is planned. */
final readonly class SetShape implements Edit
{
    public function __construct(private Shape $shape) {}

    public function apply(Story $story): Story
    {
        return $story->with(shape: $this->shape);
    }
}
