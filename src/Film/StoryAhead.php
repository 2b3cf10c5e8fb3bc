<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Story\StoryRecord;

/** The revision of a story up to which its film's parts are made ahead. */
#[ORM\Entity]
#[ORM\Table(name: 'story_ahead')]
class StoryAhead
{
    public function __construct(
        #[ORM\Id, ORM\OneToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public StoryRecord $story,
        #[ORM\Column]
        public int $revision,
    ) {}
}
