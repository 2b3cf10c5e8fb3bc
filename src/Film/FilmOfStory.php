<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\ViewPart;

/** The newest film of a story, being made or made. */
final readonly class FilmOfStory implements ViewPart
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function name(): string
    {
        return 'film';
    }

    public function of(StoryRecord $story): mixed
    {
        return $this->entities->getRepository(FilmRecord::class)->findOneBy(
            ['story' => $story],
            ['begunAt' => 'DESC', 'id' => 'DESC'],
        )?->toArray();
    }
}
