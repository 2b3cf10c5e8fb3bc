<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;
use Rhapsode\Core\Story\Transition;

/** What is usual in the whole story; null stays as it is. */
final readonly class SetStyle implements Edit
{
    public function __construct(private ?Transition $transition) {}

    public function apply(Story $story): Story
    {
        return $story->with(style: new Style($this->transition ?? $story->style->transition));
    }
}
