<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Thanks;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;

/** That somebody of the class says thank you for a film that the class watches, with a sentence or without one. */
#[ORM\Entity]
#[ORM\Table(name: 'thanks')]
class Thanks
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne(inversedBy: 'thanks'), ORM\JoinColumn(nullable: false)]
        public HandIn $handIn,
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $person,
        #[ORM\Column(type: 'text')]
        public string $words = '',
    ) {}

    /** @return array{person: string, name: string, words: string} */
    public function toArray(): array
    {
        return ['person' => (string) $this->person->id, 'name' => $this->person->firstName, 'words' => $this->words];
    }
}
