<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;

/** That a student belongs to a class. */
#[ORM\Entity]
class Membership
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $student,
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Classroom $classroom,
    ) {}
}
