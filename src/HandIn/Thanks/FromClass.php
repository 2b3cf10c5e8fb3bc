<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Thanks;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInChanges;
use Rhapsode\App\HandIn\Standing;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\Watching;

use function Symfony\Component\Clock\now;

/** The thank-yous of a class: whether they are taken, what was said, and by whom. */
final readonly class FromClass
{
    public function __construct(private EntityManagerInterface $entities, private Standing $standing, private HandInChanges $changes) {}

    public function let(Assignment $assignment, bool $isOpen): void
    {
        $assignment->thanksUntil = $isOpen ? now('+' . Watching::THANKED_FOR . ' hours') : null;
        $this->entities->flush();
    }

    /** @return array<string, mixed> all that was said, for who teaches the class */
    public function all(Assignment $assignment): array
    {
        $films = $this->standing->onTheWall($assignment);
        $thanks = $this->saidOf($films);

        return [
            'isOpen' => self::isOpen($assignment),
            'films' => array_map(static fn(HandIn $one): array => [
                'id' => (string) $one->id, 'title' => $one->film->title,
                'thanks' => array_map(static fn(Thanks $said): array => $said->toArray(), $thanks[(string) $one->id] ?? []),
            ], $films),
        ];
    }

    /** @return array<string, mixed> for one of the class: what is on the wall, what they may watch themselves, and what they have said */
    public function mine(Assignment $assignment, User $user): array
    {
        $isOpen = self::isOpen($assignment);
        $onTheWall = $isOpen ? $this->standing->onTheWall($assignment) : [];
        $shown = array_filter(array_reverse($this->standing->of($assignment)), static fn(HandIn $one): bool => $one->isShownToClass());
        $films = [...$onTheWall, ...array_filter($shown, static fn(HandIn $one): bool => !\in_array($one, $onTheWall, true))];
        $said = $this->saidOf($films, $user);

        return [
            'title' => $assignment->title,
            'isOpen' => $isOpen,
            'films' => array_map(static fn(HandIn $one): array => [
                'id' => (string) $one->id, 'title' => $one->film->title, 'seconds' => $one->film->seconds,
                'film' => $one->isShownToClass() || $one->isMadeBy($user) ? (string) $one->film->id : null,
                'isMine' => $one->isMadeBy($user),
                'isThanked' => Watching::mayThank(\in_array($one, $onTheWall, true), $one->isMadeBy($user)),
                'words' => ($said[(string) $one->id][0] ?? null)?->words,
            ], $films),
        ];
    }

    /** Said again it is what was said last. */
    public function thank(HandIn $handIn, User $user, string $words): void
    {
        self::hold($handIn);
        $this->changes->onItsOwn($handIn, function () use ($handIn, $user, $words): void {
            $thanks = $this->one($handIn, (string) $user->id) ?? new Thanks($handIn, $user);
            $thanks->words = $words;
            $this->entities->persist($thanks);
        });
    }

    public function takeBack(HandIn $handIn, User $user): void
    {
        self::hold($handIn);
        $this->leaveOut($handIn, (string) $user->id);
    }

    /** Also when no more are taken. */
    public function leaveOut(HandIn $handIn, string $person): void
    {
        $this->changes->onItsOwn($handIn, function () use ($handIn, $person): void {
            $thanks = $this->one($handIn, $person);
            null === $thanks || $this->entities->remove($thanks);
        });
    }

    private static function hold(HandIn $handIn): void
    {
        if (!self::isOpen($handIn->assignment)) {
            throw new Refused('thanks.not-now');
        }
    }

    private static function isOpen(Assignment $assignment): bool
    {
        return null !== $assignment->thanksUntil && $assignment->thanksUntil > now();
    }

    private function one(HandIn $handIn, string $person): ?Thanks
    {
        return $this->entities->find(Thanks::class, ['handIn' => (string) $handIn->id, 'person' => $person]);
    }

    /**
     * All at once.
     *
     * @param list<HandIn> $films
     *
     * @return array<string, non-empty-list<Thanks>> by the ids of the films
     */
    private function saidOf(array $films, ?User $person = null): array
    {
        $query = $this->entities->createQueryBuilder()->select('t', 'p')->from(Thanks::class, 't')->join('t.person', 'p')
            ->where('t.handIn IN (:films)')->orderBy('p.firstName')->addOrderBy('p.id')
            ->setParameter('films', array_map(static fn(HandIn $one): string => (string) $one->id, $films));
        if (null !== $person) {
            $query->andWhere('p.id = :person')->setParameter('person', $person->id, 'uuid');
        }
        /** @var list<Thanks> $all */
        $all = $query->getQuery()->getResult();
        $by = [];
        foreach ($all as $thanks) {
            $by[(string) $thanks->handIn->id][] = $thanks;
        }

        return $by;
    }
}
