<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetRecord;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * What comes into a story is theirs who make it, as long as the story is not deleted.
 *
 * @extends Voter<string, AssetRecord>
 */
final class AssetVoter extends Voter
{
    public function __construct(private readonly Stories $stories) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return AssetRecord::OWN === $attribute && $subject instanceof AssetRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        $story = $this->stories->find($subject->place);

        return $user instanceof User && (null === $story ? $subject->owner->is($user) : $story->isMadeBy($user) && null === $story->deletedAt);
    }
}
