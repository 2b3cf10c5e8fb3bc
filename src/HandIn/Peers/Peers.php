<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Peers;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Random\Randomizer;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Standing;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\Lots;

use function Symfony\Component\Clock\now;

/** The students of a class answer each other's films. */
final readonly class Peers
{
    public function __construct(private EntityManagerInterface $entities, private Standing $standing, private Members $members) {}

    /**
     * Films are dealt to who has too few. What somebody has written stays; what they have not, of a film that stands no more, goes.
     *
     * @throws Refused where students do not answer each other, or there is nothing to deal
     */
    public function deal(Assignment $assignment): void
    {
        $this->entities->wrapInTransaction(function () use ($assignment): void {
            // Of two who deal at once the second finds what the first has dealt.
            $this->entities->refresh($assignment, LockMode::PESSIMISTIC_WRITE);
            if (0 === $assignment->peers) {
                throw new Refused('peer.off');
            }
            $films = [];
            foreach ($this->standing->of($assignment) as $one) {
                $films[(string) $one->id] = $one;
            }
            $students = [];
            foreach ($this->members->of($assignment->classroom) as $one) {
                $students[(string) $one->id] = $one;
            }
            $kept = [];
            foreach ($this->of($assignment) as $answer) {
                if (null === $answer->writtenAt && !isset($films[(string) $answer->handIn->id])) {
                    $this->entities->remove($answer);
                } elseif (isset($students[(string) $answer->reviewer->id])) {
                    $kept[] = [(string) $answer->reviewer->id, (string) $answer->handIn->id];
                }
            }
            $made = array_map(static fn(HandIn $one): array => array_map(static fn(User $u): string => (string) $u->id, $one->story->makers()), $films);
            $dealt = Lots::deal($made, array_keys($students), $assignment->peers, $kept, new Randomizer());
            if ([] === $dealt && [] === $kept) {
                throw new Refused('peer.nothing-to-deal');
            }
            foreach ($dealt as [$student, $film]) {
                $this->entities->persist(new PeerAnswer($films[$film], $students[$student]));
            }
        });
    }

    /**
     * It may be said otherwise until whoever made the film reads it.
     *
     * @throws Refused
     */
    public function say(PeerAnswer $answer, PeerSaid $said): void
    {
        $this->alone($answer, static function () use ($answer, $said): void {
            if ([$answer->liked, $answer->wondered] === [$said->liked, $said->wondered]) {
                return;
            }
            if ($answer->isShown) {
                throw new Refused('peer.shown');
            }
            $answer->liked = $said->liked;
            $answer->wondered = $said->wondered;
            $answer->writtenAt = now();
            $answer->isShown = !$answer->handIn->assignment->peersHeld;
        });
    }

    /** Whoever teaches the class lets it be read, or not. @throws Refused */
    public function show(PeerAnswer $answer, bool $isShown): void
    {
        $this->alone($answer, static function () use ($answer, $isShown): void {
            if ($isShown && null === $answer->writtenAt) {
                throw new Refused('peer.not-written');
            }
            $answer->isShown = $isShown;
        });
    }

    /** @return list<PeerAnswer> to all films of an assignment, written or not */
    public function of(Assignment $assignment): array
    {
        /** @var list<PeerAnswer> $answers */
        $answers = $this->entities->createQueryBuilder()->select('p', 'h', 'r')->from(PeerAnswer::class, 'p')
            ->join('p.handIn', 'h')->join('p.reviewer', 'r')->where('h.assignment = :assignment')
            ->setParameter('assignment', $assignment->id, 'uuid')->getQuery()->getResult();

        return $answers;
    }

    /** @param \Closure(): void $change */
    private function alone(PeerAnswer $answer, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($answer, $change): void {
            $this->entities->refresh($answer, LockMode::PESSIMISTIC_WRITE);
            $change();
        });
    }
}
