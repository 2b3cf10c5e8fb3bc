<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Who handed it in and the class's teacher read it; only the teacher answers.
 *
 * @extends Voter<string, HandIn>
 */
final class HandInVoter extends Voter
{
    public const READ = 'read hand-in';
    public const ANSWER = 'answer hand-in';

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
        $teaches = $subject->assignment->classroom->teacher->is($user);

        return self::ANSWER === $attribute ? $teaches : $teaches || $subject->student->is($user);
    }
}
