<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Symfony\Contracts\EventDispatcher\Event;

/** A story that was deleted long ago goes for good: what hangs on it goes along, or keeps it. In one transaction with the story itself. */
final class StoryGoing extends Event
{
    /** @var list<string> folders of the store that go once the rows have gone */
    public array $folders = [];

    public bool $isKept = false;

    public function __construct(public readonly StoryRecord $story) {}

    /** Somebody else needs it still. */
    public function keep(): void
    {
        $this->isKept = true;
        $this->stopPropagation();
    }
}
