<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\HandIn\HandInState;

/** What stands of what was handed in to an assignment: of each story the newest that was not taken back. */
final readonly class Standing
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @return list<HandIn> the newest first */
    public function of(Assignment $assignment): array
    {
        // With all that a list of them shows. Remarks by themselves: beside each of them its film's story would come once more.
        /** @var list<HandIn> $all */
        $all = $this->entities->createQueryBuilder()->select('h', 'f', 's', 'w', 'm')->from(HandIn::class, 'h')
            ->join('h.film', 'f')->join('h.story', 's')->join('s.owner', 'w')->leftJoin('s.others', 'm')
            ->where('h.assignment = :assignment')->andWhere('h.state <> :withdrawn')
            ->orderBy('h.handedInAt', 'DESC')->addOrderBy('h.number', 'DESC')
            ->setParameter('assignment', $assignment->id, 'uuid')->setParameter('withdrawn', HandInState::Withdrawn)
            ->getQuery()->getResult();
        $this->entities->createQueryBuilder()->select('h', 'r', 'a')->from(HandIn::class, 'h')->leftJoin('h.remarks', 'r')->leftJoin('r.author', 'a')
            ->where('h.assignment = :assignment')->orderBy('r.frame')->addOrderBy('r.id')
            ->setParameter('assignment', $assignment->id, 'uuid')->getQuery()->getResult();
        $newest = [];
        foreach ($all as $handIn) {
            $newest[(string) $handIn->story->id] ??= $handIn;
        }

        return array_values($newest);
    }

    /** Of one story; null where nothing of it stands. */
    public function last(StoryRecord $story): ?HandIn
    {
        $all = $this->entities->getRepository(HandIn::class)->findBy(['story' => $story], ['number' => 'DESC']);

        return array_find($all, static fn(HandIn $one): bool => HandInState::Withdrawn !== $one->state);
    }

    /** @return list<HandIn> what the class watches, in that order: those that were chosen, or all that are accepted */
    public function onTheWall(Assignment $assignment): array
    {
        return self::chosen($assignment, $this->of($assignment));
    }

    /**
     * @param list<HandIn>|null $standing of the assignment, where they are known
     *
     * @return list<string> their ids
     */
    public function screened(Assignment $assignment, ?array $standing = null): array
    {
        return array_map(static fn(HandIn $one): string => (string) $one->id, self::chosen($assignment, $standing ?? $this->of($assignment)));
    }

    /**
     * @param list<HandIn> $standing
     *
     * @return list<HandIn>
     */
    private static function chosen(Assignment $assignment, array $standing): array
    {
        if (null !== $assignment->screening) {
            $by = [];
            foreach ($standing as $one) {
                $by[(string) $one->id] = $one;
            }

            return array_values(array_filter(array_map(static fn(string $id): ?HandIn => $by[$id] ?? null, $assignment->screening)));
        }
        // The first that was handed in first.
        usort($standing, static fn(HandIn $a, HandIn $b): int => [$a->handedInAt, $a->number] <=> [$b->handedInAt, $b->number]);

        return array_values(array_filter($standing, static fn(HandIn $one): bool => HandInState::Accepted === $one->state));
    }

    /** Whether whoever answers is not told yet whose films they are: they are told when every film is answered. */
    public function hidesNames(Assignment $assignment): bool
    {
        return $assignment->hidesNames
            && [] !== array_filter($this->of($assignment), static fn(HandIn $one): bool => $one->state->waits());
    }

    /**
     * In an order that tells nothing, another for each reader, and the same each time.
     *
     * @return list<HandIn>
     */
    public function shuffled(Assignment $assignment, User $reader): array
    {
        $order = static fn(HandIn $one): string => hash('sha256', "{$reader->id} {$one->id}");
        $all = $this->of($assignment);
        usort($all, static fn(HandIn $a, HandIn $b): int => strcmp($order($a), $order($b)));

        return $all;
    }
}
