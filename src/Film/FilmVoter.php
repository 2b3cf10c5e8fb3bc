<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\HandIn;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A film is its maker's as long as its story is not deleted; once it is handed in, its maker and the class's teacher may watch it.
 *
 * @extends Voter<string, FilmRecord>
 */
final class FilmVoter extends Voter
{
    public const OWN = 'own film';
    public const WATCH = 'watch film';

    public function __construct(private readonly EntityManagerInterface $entities) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return $subject instanceof FilmRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();
        if (!$user instanceof User) {
            return false;
        }

        return ($subject->story->owner->is($user) && null === $subject->story->deletedAt) || (self::WATCH === $attribute && $this->isHandedIn($user, $subject));
    }

    private function isHandedIn(User $user, FilmRecord $film): bool
    {
        foreach ($this->entities->getRepository(HandIn::class)->findBy(['film' => $film]) as $handIn) {
            if ($handIn->student->is($user) || $handIn->assignment->classroom->teacher->is($user)) {
                return true;
            }
        }

        return false;
    }
}
