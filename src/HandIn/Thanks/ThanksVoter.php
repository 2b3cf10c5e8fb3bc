<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Thanks;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Standing;
use Rhapsode\Core\HandIn\Watching;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * The class thanks for what it watches, and nobody for their own film.
 *
 * @extends Voter<string, HandIn>
 */
final class ThanksVoter extends Voter
{
    public const THANK = 'thank for film';

    public function __construct(private readonly Members $members, private readonly Standing $standing) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return self::THANK === $attribute && $subject instanceof HandIn;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && $this->members->belongs($user, $subject->assignment->classroom)
            && Watching::mayThank(\in_array($subject, $this->standing->onTheWall($subject->assignment), true), $subject->isMadeBy($user));
    }
}
