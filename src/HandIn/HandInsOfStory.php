<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\ViewPart;

/** What was handed in of a story, the newest first. */
final readonly class HandInsOfStory implements ViewPart
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function name(): string
    {
        return 'handIns';
    }

    public function of(StoryRecord $story): mixed
    {
        return array_map(
            static fn(HandIn $h): array => $h->toArray(),
            $this->entities->getRepository(HandIn::class)->findBy(['story' => $story], ['number' => 'DESC']),
        );
    }
}
