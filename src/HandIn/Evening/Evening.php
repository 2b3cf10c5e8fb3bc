<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Evening;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Standing;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\UriSigner;

/** A link by which anybody watches what a class screens, for a time and without names: parents, on their evening. */
final readonly class Evening
{
    private const LASTS = '+14 days';

    public function __construct(private EntityManagerInterface $entities, private Standing $standing, private UriSigner $signer) {}

    /** Opened twice it is the same link. */
    public function open(Assignment $assignment): void
    {
        $this->alone($assignment, static function () use ($assignment): void {
            if (!self::isOpen($assignment)) {
                $assignment->eveningUntil = now(self::LASTS);
            }
        });
    }

    /** The link leads nowhere from now on. Twice is once. */
    public function close(Assignment $assignment): void
    {
        $this->alone($assignment, static function () use ($assignment): void {
            $assignment->eveningUntil = null;
        });
    }

    /** @return array{code: string, until: string}|null null where there is no link */
    public function link(Assignment $assignment): ?array
    {
        $until = $assignment->eveningUntil;
        if (null === $until || !self::isOpen($assignment)) {
            return null;
        }
        $signed = $this->signer->sign(self::path($assignment), $until);

        return ['code' => $assignment->id . '?' . parse_url($signed, \PHP_URL_QUERY), 'until' => $until->format(\DATE_RFC3339)];
    }

    /** Whether a request has the link that is good now: one that was taken back is of another time. */
    public function lets(Assignment $assignment, Request $request): bool
    {
        return self::isOpen($assignment)
            && ($request->query->all()['_expiration'] ?? null) === (string) $assignment->eveningUntil?->getTimestamp()
            && $this->signer->check(self::path($assignment) . '?' . $request->server->getString('QUERY_STRING'));
    }

    /** @return list<HandIn> in the order in which the class watches them */
    public function films(Assignment $assignment): array
    {
        return $this->standing->onTheWall($assignment);
    }

    private static function isOpen(Assignment $assignment): bool
    {
        return null === $assignment->putAwayAt && null !== $assignment->eveningUntil && now() < $assignment->eveningUntil;
    }

    private static function path(Assignment $assignment): string
    {
        return "/api/evenings/{$assignment->id}";
    }

    /** @param \Closure(): void $change */
    private function alone(Assignment $assignment, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($assignment, $change): void {
            $this->entities->refresh($assignment, LockMode::PESSIMISTIC_WRITE);
            $change();
        });
    }
}
