<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Symfony\Component\Uid\Uuid;

/** Who somebody of a platform is here: by what the platform calls them, never by their name. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_person')]
#[ORM\UniqueConstraint(name: 'lti_person_once', columns: ['platform_id', 'subject'])]
class KnownPerson
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Platform $platform,
        #[ORM\Column(length: 255)]
        public string $subject,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public User $person,
    ) {
        $this->id = Uuid::v7();
    }
}
