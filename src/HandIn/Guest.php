<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;

use function Symfony\Component\Clock\now;

/** Somebody who is asked to watch one film and to say something to it, for a time. They come in by a link, and see nothing else. */
#[ORM\Entity]
class Guest
{
    /** How long a link is good for. */
    public const LASTS = '+14 days';

    public function __construct(
        #[ORM\Id, ORM\OneToOne, ORM\JoinColumn(nullable: false)]
        public User $person,
        #[ORM\ManyToOne(inversedBy: 'guests'), ORM\JoinColumn(nullable: false)]
        public HandIn $handIn,
    ) {}

    public function isAsked(User $user): bool
    {
        return $this->person->is($user) && null !== $user->until && now() < $user->until;
    }

    /** @return array{id: string, name: string, until: string, seenAt: string|null} */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->person->id, 'name' => $this->person->firstName,
            'until' => (string) $this->person->until?->format(\DATE_RFC3339), 'seenAt' => $this->person->seenAt?->format(\DATE_RFC3339),
        ];
    }
}
