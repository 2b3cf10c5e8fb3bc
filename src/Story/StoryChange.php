<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Story\Story;

use function Symfony\Component\Clock\now;

/** One step of a story's history and who took it, kept for good: it can be undone and done again, also after a reload. */
#[ORM\Entity]
#[ORM\Index(name: 'story_history', columns: ['story_id', 'author_id', 'number'])]
class StoryChange
{
    #[ORM\Id, ORM\GeneratedValue(strategy: 'IDENTITY'), ORM\Column(type: 'bigint')]
    public int $number;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $madeAt;

    #[ORM\Column]
    public bool $undone = false;

    /** Undone, and then something else was done: it is part of the history, but no longer of what may be done again. */
    #[ORM\Column]
    public bool $superseded = false;

    #[ORM\Column(type: 'text')]
    private string $parts;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public StoryRecord $story,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $author,
        Change $change,
    ) {
        $this->madeAt = now();
        $this->parts = json_encode($change->toArray(), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
    }

    /** @param Story $story that it was made on */
    public function change(Story $story): Change
    {
        return Change::fromArray(json_decode($this->parts, true, 32, \JSON_THROW_ON_ERROR), $story);
    }
}
