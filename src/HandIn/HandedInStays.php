<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Story\StoryGoing;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** What was handed in is the teacher's to see, also when its maker has deleted the story. Asked before anything goes. */
#[AsEventListener(priority: 10)]
final readonly class HandedInStays
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function __invoke(StoryGoing $event): void
    {
        if (null !== $this->entities->getRepository(HandIn::class)->findOneBy(['story' => $event->story])) {
            $event->keep();
        }
    }
}
