<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Whoever teaches a class sees who is in it, and so does the school's administrator; who leads it, and the administrator, change it;
 * who leads it sets it tasks.
 *
 * @extends Voter<string, Classroom>
 */
final class ClassroomVoter extends Voter
{
    public const VIEW = 'view class';
    public const CHANGE = 'change class';
    public const SET = 'set a class tasks';
    public const ARCHIVE = 'archive class';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof Classroom;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();
        if (!$user instanceof User || !$user->school->id->equals($subject->school->id)) {
            return false;
        }
        $part = $subject->part($user);

        $leads = Role::Administrator === $user->role || Part::Lead === $part;

        return match ($attribute) {
            self::VIEW => Role::Administrator === $user->role || null !== $part,
            self::ARCHIVE => $leads,
            // What is archived is as it was.
            self::CHANGE => $leads && null === $subject->archivedAt,
            self::SET => Part::Lead === $part && null === $subject->archivedAt,
            default => false,
        };
    }
}
