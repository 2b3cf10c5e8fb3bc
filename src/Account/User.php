<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** A person: a sign-in name, a first name to show, and nothing else that could tell who it is. */
#[ORM\Entity]
#[ORM\Table(name: 'person')]
class User implements UserInterface, PasswordAuthenticatedUserInterface
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column]
    public string $password = '';

    public function __construct(
        #[ORM\Column(length: 60, unique: true)]
        public string $name,
        #[ORM\Column(length: 60)]
        public string $firstName,
        #[ORM\Column(length: 10, enumType: Role::class)]
        public Role $role,
    ) {
        $this->id = Uuid::v7();
    }

    public function getRoles(): array
    {
        return ['ROLE_USER', Role::Teacher === $this->role ? 'ROLE_TEACHER' : 'ROLE_STUDENT'];
    }

    public function getUserIdentifier(): string
    {
        return '' === $this->name ? throw new \LogicException() : $this->name;
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function eraseCredentials(): void {}

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
