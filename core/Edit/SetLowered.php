<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Whether something beside a voice is lowered, or stays as it was recorded: over all of each recording that is heard. */
final readonly class SetLowered implements Edit
{
    /** @param list<Span> $voice as it was heard */
    public function __construct(private array $voice, private Lowered $what, private bool $isLowered) {}

    public function apply(Story $story): Story
    {
        foreach ($this->voice as $span) {
            $voice = $story->voice($span->asset) ?? throw new Refused('edit.voice-gone');
            $story = $story->withAsset($voice->withTake($voice->take->lowering($this->what, $this->isLowered)));
        }

        return $story;
    }
}
