<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Members of the class see its assignment; its students hand in to it; who teaches it sees what was handed in; who leads it sets it.
 *
 * @extends Voter<string, Assignment>
 */
final class AssignmentVoter extends Voter
{
    public const VIEW = 'view assignment';
    public const HAND_IN = 'hand in';
    public const REVIEW = 'review assignment';
    public const SET = 'set assignment';

    public function __construct(private readonly Members $members) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof Assignment;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && match ($attribute) {
            self::VIEW => null !== $subject->classroom->part($user) || $this->members->belongs($user, $subject->classroom),
            self::HAND_IN => null === $subject->putAwayAt && null === $subject->classroom->archivedAt && $this->members->belongs($user, $subject->classroom),
            self::REVIEW => null !== $subject->classroom->part($user),
            self::SET => Part::Lead === $subject->classroom->part($user) && null === $subject->classroom->archivedAt,
            default => false,
        };
    }
}
