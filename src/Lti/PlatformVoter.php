<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A platform is its school's administrators' to tell of.
 *
 * @extends Voter<string, Platform>
 */
final class PlatformVoter extends Voter
{
    public const TELL = 'tell of platform';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof Platform;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && self::TELL === $attribute && Role::Administrator === $user->role && $user->school->id->equals($subject->school->id);
    }
}
