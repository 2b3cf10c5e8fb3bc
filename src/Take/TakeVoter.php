<?php

declare(strict_types=1);

namespace Rhapsode\App\Take;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A recording belongs to the story's owner, as long as the story is not deleted.
 *
 * @extends Voter<string, TakeRecord>
 */
final class TakeVoter extends Voter
{
    public const OWN = 'own take';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return self::OWN === $attribute && $subject instanceof TakeRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && $subject->story->owner->is($user) && null === $subject->story->deletedAt;
    }
}
