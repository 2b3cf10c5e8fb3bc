<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Part;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A story is theirs who make it; whoever has begun it throws it away. A teacher sees what was handed in, not the draft, but leads
 * who makes one for the class together.
 *
 * @extends Voter<string, StoryRecord>
 */
final class StoryVoter extends Voter
{
    public const OWN = 'own story';
    public const DROP = 'drop story';
    public const TOGETHER = 'who makes a story together';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof StoryRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && null === $subject->deletedAt && match ($attribute) {
            self::OWN => $subject->isMadeBy($user),
            self::DROP => $subject->owner->is($user),
            self::TOGETHER => $subject->isMadeBy($user) || Part::Lead === $subject->assignment?->classroom->part($user),
            default => false,
        };
    }
}
