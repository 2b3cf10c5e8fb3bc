<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Symfony\Component\Uid\Uuid;

#[ORM\Entity]
class Classroom
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    public function __construct(
        #[ORM\Column(length: 120)]
        public string $name,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $teacher,
    ) {
        $this->id = Uuid::v7();
    }
}
