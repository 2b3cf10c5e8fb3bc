<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Members of the class see its assignment; its students hand in to it; its teacher sees what was handed in.
 *
 * @extends Voter<string, Assignment>
 */
final class AssignmentVoter extends Voter
{
    public const VIEW = 'view assignment';
    public const HAND_IN = 'hand in';
    public const REVIEW = 'review assignment';

    public function __construct(private readonly Members $members) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof Assignment;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && match ($attribute) {
            self::VIEW => $subject->classroom->teacher->is($user) || $this->members->belongs($user, $subject->classroom),
            self::HAND_IN => $this->members->belongs($user, $subject->classroom),
            self::REVIEW => $subject->classroom->teacher->is($user),
            default => false,
        };
    }
}
