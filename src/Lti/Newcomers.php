<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\NameList;
use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** An account for somebody whom a platform tells of: no more than a first name is kept, and they come in by the platform. */
final readonly class Newcomers
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @param string $called by the platform; '' where it does not tell, and whoever teaches them gives them a name */
    public function of(Platform $platform, string $subject, string $called, Role $role): User
    {
        $name = NameList::first($called);
        $person = new User($platform->school, null, '' === $name ? (new IcuCatalogue())->say(new Message('lti.unnamed'), 'en') : $name, $role);
        $this->entities->persist($person);
        $this->known($platform, $subject, $person);

        return $person;
    }

    public function known(Platform $platform, string $subject, User $person): void
    {
        $this->entities->persist(new KnownPerson($platform, $subject, $person));
        $this->entities->flush();
    }
}
