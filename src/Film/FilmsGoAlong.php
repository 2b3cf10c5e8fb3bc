<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Story\StoryGoing;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** A story that goes for good takes its films along. */
#[AsEventListener]
final readonly class FilmsGoAlong
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function __invoke(StoryGoing $event): void
    {
        foreach ($this->entities->getRepository(FilmRecord::class)->findBy(['story' => $event->story]) as $film) {
            $event->folders[] = "films/{$film->id}";
            $this->entities->remove($film);
        }
        $this->entities->flush();
    }
}
