<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Peers;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;

/** That a student watches a film of somebody else's, by lot, and what they say of it. */
#[ORM\Entity]
class PeerAnswer
{
    #[ORM\Column(type: 'text')]
    public string $liked = '';

    #[ORM\Column(type: 'text')]
    public string $wondered = '';

    /** Null while nothing is said yet. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $writtenAt = null;

    /** Whether who made the film reads it. */
    #[ORM\Column(options: ['default' => false])]
    public bool $isShown = false;

    public function __construct(
        #[ORM\Id, ORM\ManyToOne(inversedBy: 'peers'), ORM\JoinColumn(nullable: false)]
        public HandIn $handIn,
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $reviewer,
    ) {}

    /** @return array{reviewer: string, name: string, liked: string, wondered: string, isWritten: bool, isShown: bool} */
    public function toArray(): array
    {
        return [
            'reviewer' => (string) $this->reviewer->id, 'name' => $this->reviewer->firstName,
            'liked' => $this->liked, 'wondered' => $this->wondered, 'isWritten' => null !== $this->writtenAt, 'isShown' => $this->isShown,
        ];
    }
}
