<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;

/** That somebody teaches a class. */
#[ORM\Entity]
class Teaching
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $teacher,
        #[ORM\Id, ORM\ManyToOne(inversedBy: 'teachings'), ORM\JoinColumn(nullable: false)]
        public Classroom $classroom,
        #[ORM\Column(length: 10, enumType: Part::class)]
        public Part $part = Part::Lead,
    ) {}
}
