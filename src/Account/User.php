<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** A person: a first name to show, a sign-in name or the secret of a child, and nothing else that could tell who it is. */
#[ORM\Entity(repositoryClass: People::class)]
#[ORM\Table(name: 'person')]
#[ORM\UniqueConstraint(name: 'person_of_school', columns: ['school_id', 'sourced_id'])]
class User implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Hashed; empty where there is none. */
    #[ORM\Column]
    public string $password = '';

    /** A child's secret words, hashed; empty where there are none. */
    #[ORM\Column(options: ['default' => ''])]
    public string $words = '';

    /** The hash of what a child's card says; null where there is none. */
    #[ORM\Column(length: 64, unique: true, nullable: true)]
    public ?string $card = null;

    /** The secret of a device of theirs, sealed (SecondStep/Sealing); null where no second step is asked for. */
    #[ORM\Column(type: 'text', nullable: true)]
    public ?string $secondStep = null;

    /** Of the code that was taken last: none is good twice. */
    #[ORM\Column(nullable: true)]
    public ?int $lastStep = null;

    /** @var list<string> hashes of the spare codes that are left */
    #[ORM\Column(type: 'json', options: ['default' => '[]'])]
    public array $spares = [];

    /** What their school calls them in its own files; null where it has told of none. */
    #[ORM\Column(length: 255, nullable: true)]
    public ?string $sourcedId = null;

    /** Until when they may come in; null for who may for good. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $until = null;

    /** When they came in last. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $seenAt = null;

    /** Of one who is read from a session. */
    private ?string $kept = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public School $school,
        /** Null for who comes in by their class. */
        #[ORM\Column(length: 60, unique: true, nullable: true)]
        public ?string $name,
        #[ORM\Column(length: 60)]
        public string $firstName,
        #[ORM\Column(length: 16, enumType: Role::class)]
        public Role $role,
    ) {
        $this->id = Uuid::v7();
    }

    public function getRoles(): array
    {
        return match ($this->role) {
            // Nothing is theirs but what they are asked to.
            Role::Guest => ['ROLE_GUEST'],
            Role::Student => ['ROLE_USER', 'ROLE_STUDENT'],
            Role::Teacher => ['ROLE_USER', 'ROLE_TEACHER'],
            // Who runs a small school teaches in it, too.
            Role::Administrator => ['ROLE_USER', 'ROLE_TEACHER', 'ROLE_ADMINISTRATOR'],
        };
    }

    public function getUserIdentifier(): string
    {
        return null === $this->name || '' === $this->name ? (string) $this->id : $this->name;
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function eraseCredentials(): void {}

    /** With a new password or a new card, whoever is in with the old one is out. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self && $this->is($user) && $this->mark() === $user->mark();
    }

    /** @return array{id: string, mark: string} what a session keeps of somebody: nothing that one could come in with */
    public function __serialize(): array
    {
        return ['id' => (string) $this->id, 'mark' => $this->mark()];
    }

    /** @param array<string, mixed> $kept as above; what an earlier version kept has no mark, and whoever is in with it is asked again */
    public function __unserialize(array $kept): void
    {
        $id = $kept['id'] ?? null;
        $this->id = \is_string($id) ? Uuid::fromString($id) : Uuid::v7();
        $this->kept = \is_string($kept['mark'] ?? null) ? $kept['mark'] : '';
    }

    private function mark(): string
    {
        return $this->kept ?? hash('xxh128', "{$this->password} {$this->words} {$this->role->value} {$this->secondStep}");
    }

    public function is(self $other): bool
    {
        return $this->id->equals($other->id);
    }

    /** @return array{id: string, firstName: string, role: string} */
    public function toArray(): array
    {
        return ['id' => (string) $this->id, 'firstName' => $this->firstName, 'role' => $this->role->value];
    }
}
