<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Part;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Who has made it, whoever teaches the class, its guests and who watches it by lot read it; teachers and guests remark on it, teachers answer it, and
 * who leads the class asks guests.
 *
 * @extends Voter<string, HandIn>
 */
final class HandInVoter extends Voter
{
    public const READ = 'read hand-in';
    public const WITHDRAW = 'withdraw hand-in';
    public const TICK = 'tick remarks of hand-in';
    public const REMARK = 'remark on hand-in';
    public const HEAR = 'hear remarks on hand-in';
    public const ANSWER = 'answer hand-in';
    public const PEER = 'answer hand-in as a peer';
    public const INVITE = 'invite to hand-in';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof HandIn;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();
        if (!$user instanceof User) {
            return false;
        }
        $part = $subject->part($user);

        return match ($attribute) {
            self::READ => $subject->isReadBy($user),
            self::WITHDRAW => $subject->isMadeBy($user),
            self::REMARK => null !== $part || $subject->isGuest($user),
            // What was said to its makers is not for who watches it by lot.
            self::HEAR => null !== $part || $subject->isMadeBy($user) || $subject->isGuest($user),
            self::TICK => null !== $part || $subject->isMadeBy($user),
            self::ANSWER => null !== $part,
            self::PEER => null !== $subject->peer($user),
            self::INVITE => Part::Lead === $part,
            default => false,
        };
    }
}
