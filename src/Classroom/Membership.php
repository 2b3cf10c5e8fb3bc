<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\FirstName;

/** That a student belongs to a class, or did. */
#[ORM\Entity]
#[ORM\UniqueConstraint(name: 'name_in_class', columns: ['classroom_id', 'name_key'])]
class Membership
{
    /** By what name they come in (core/Classroom/FirstName::key); null for who belongs to it no longer. */
    #[ORM\Column(name: 'name_key', length: 60, nullable: true)]
    public ?string $key;

    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $student,
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Classroom $classroom,
    ) {
        $this->key = FirstName::key($student->firstName);
    }
}
