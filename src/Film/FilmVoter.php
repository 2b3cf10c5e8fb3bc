<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Account\User;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A film is its makers' as long as its story is not deleted; once it is handed in, its makers and the class's teacher may watch it.
 *
 * @extends Voter<string, FilmRecord>
 */
final class FilmVoter extends Voter
{
    public const OWN = 'own film';
    public const WATCH = 'watch film';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof FilmRecord && \in_array($attribute, [self::OWN, self::WATCH], true);
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();

        return $user instanceof User && $subject->story->isMadeBy($user) && null === $subject->story->deletedAt;
    }
}
