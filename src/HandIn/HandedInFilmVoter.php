<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\FilmVoter;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * A film that was handed in is watched by who handed it in, whatever becomes of its story, by who answers it and by its guests;
 * and by its class, where that is let.
 *
 * @extends Voter<string, FilmRecord>
 */
final class HandedInFilmVoter extends Voter
{
    public function __construct(private readonly EntityManagerInterface $entities, private readonly Members $members) {}

    protected function supports(string $attribute, mixed $subject): bool
    {
        return FilmVoter::WATCH === $attribute && $subject instanceof FilmRecord;
    }

    protected function voteOnAttribute(string $attribute, mixed $subject, TokenInterface $token): bool
    {
        $user = $token->getUser();
        foreach ($this->entities->getRepository(HandIn::class)->findBy(['film' => $subject]) as $handIn) {
            if ($user instanceof User && ($handIn->isReadBy($user) || ($handIn->isShownToClass() && $this->members->belongs($user, $handIn->assignment->classroom)))) {
                return true;
            }
        }

        return false;
    }
}
