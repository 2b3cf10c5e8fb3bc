<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\EntityRepository;
use Symfony\Bridge\Doctrine\Security\User\UserLoaderInterface;

/**
 * @extends EntityRepository<User>
 */
final class People extends EntityRepository implements UserLoaderInterface
{
    public function __construct(EntityManagerInterface $entities)
    {
        parent::__construct($entities, $entities->getClassMetadata(User::class));
    }

    /** A sign-in name is one, whether in capitals or not. */
    public static function signInName(string $typed): string
    {
        return mb_strtolower(trim($typed));
    }

    public function loadUserByIdentifier(string $identifier): ?User
    {
        return $this->findOneBy(['name' => self::signInName($identifier)]);
    }
}
