<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A story is its owner's alone; a teacher sees what was handed in, not the draft.
 *
 * @extends Voter<string, StoryRecord>
 */
final class StoryVoter extends Voter
{
    public const OWN = 'own story';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return self::OWN === $attribute && $subject instanceof StoryRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && $subject->owner->is($user) && null === $subject->deletedAt;
    }
}
