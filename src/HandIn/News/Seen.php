<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\News;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;

/** What somebody who made a film has read of what is said of it. By what it is and not by when: two things of one second are two. */
#[ORM\Entity]
#[ORM\Table(name: 'hand_in_seen')]
class Seen
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public HandIn $handIn,
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public User $person,
        /** @var list<string> as told by Said */
        #[ORM\Column(type: 'json')]
        public array $read = [],
    ) {}
}
