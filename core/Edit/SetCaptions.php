<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TimedCaption;

/** Captions from a file, instead of those made from the scripts; null for those again. */
final readonly class SetCaptions implements Edit
{
    /** @param list<TimedCaption>|null $captions */
    public function __construct(private ?array $captions) {}

    public function apply(Story $story): Story
    {
        return $story->with(captions: $this->captions);
    }
}
