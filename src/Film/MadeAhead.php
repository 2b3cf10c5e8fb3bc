<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;

/** A part of a film that nobody has asked for yet. Once a film uses it, its row goes; what no film has used after a time goes itself. */
#[ORM\Entity]
#[ORM\Table(name: 'made_ahead')]
#[ORM\Index(name: 'made_ahead_owner', columns: ['owner_id', 'made_at'])]
#[ORM\Index(name: 'made_ahead_old', columns: ['made_at'])]
class MadeAhead
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'key', length: 80)]
        public string $key,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public User $owner,
        #[ORM\Column(type: 'datetime_immutable')]
        public \DateTimeImmutable $madeAt,
    ) {}
}
