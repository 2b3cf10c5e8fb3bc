<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Account\Code;
use Rhapsode\Core\Lti\LaunchCheck;
use Rhapsode\Core\Lti\LaunchFault;

use function Symfony\Component\Clock\now;

/**
 * Somebody comes from a platform: begun here, so that nobody is sent in without having asked to, checked when they come back, and let
 * in by the browser that began it (Security Framework 1.0 §5.1.1).
 */
final readonly class Launches
{
    public function __construct(private EntityManagerInterface $entities, private PlatformKeys $keys, private LoggerInterface $logger) {}

    /** @return Platform|null null for one that nobody has told of, or that is not named well enough */
    public function platform(string $issuer, ?string $client): ?Platform
    {
        $found = $this->entities->getRepository(Platform::class)->findBy(['issuer' => $issuer] + (null === $client ? [] : ['client' => $client]));

        return 1 === \count($found) ? $found[0] : null;
    }

    /** @return array{state: string, nonce: string} that the platform gives back */
    public function begin(Platform $platform, string $target, string $browser): array
    {
        $state = Code::make();
        $nonce = Code::make();
        $this->entities->persist(new Begun(Code::hash($state), $platform, $nonce, $target, Code::hash($browser)));
        $this->entities->flush();
        $this->sweep();

        return ['state' => $state, 'nonce' => $nonce];
    }

    /** @return string|LaunchFault the ticket of whoever is believed */
    public function come(string $state, string $token): string|LaunchFault
    {
        $begun = $this->taken($state);
        if (null === $begun) {
            return LaunchFault::State;
        }
        $key = LaunchCheck::key($token);
        $claims = $key instanceof LaunchFault ? $key : $this->keys->claims($begun->platform, $token, $key);
        $read = $claims instanceof LaunchFault
            ? $claims
            : LaunchCheck::read($claims, $begun->platform->registered(), $begun->expected(), now()->getTimestamp());
        $begun->platform->cameAt = now();
        $begun->platform->fault = $read instanceof LaunchFault ? $read : null;
        if ($read instanceof LaunchFault) {
            $this->entities->flush();
            $this->logger->warning('A launch is not believed.', ['platform' => (string) $begun->platform->id, 'fault' => $read->value]);

            return $read;
        }
        \assert(\is_array($claims));
        $ticket = Code::make();
        $this->entities->persist(new Arrival(Code::hash($ticket), $begun->platform, $claims, $begun->target, $begun->browser));
        $this->entities->flush();

        return $ticket;
    }

    /** Whether it is good, and good in this browser: no one is let in by a launch that somebody else has begun. */
    public function arrival(string $ticket, string $browser): Arrival|LaunchFault
    {
        $arrival = $this->entities->find(Arrival::class, Code::hash($ticket));

        return match (true) {
            null === $arrival || $arrival->until < now() || null === $arrival->launch() => LaunchFault::State,
            !hash_equals($arrival->browser, Code::hash($browser)) => LaunchFault::AnotherBrowser,
            default => $arrival,
        };
    }

    /** A state is good once: of two who come by one at once, one comes in. */
    private function taken(string $state): ?Begun
    {
        return $this->entities->wrapInTransaction(function () use ($state): ?Begun {
            $begun = $this->entities->find(Begun::class, Code::hash($state), LockMode::PESSIMISTIC_WRITE);
            if (null === $begun) {
                return null;
            }
            $this->entities->remove($begun);

            return $begun->until < now() ? null : $begun;
        });
    }

    private function sweep(): void
    {
        foreach ([Begun::class, Arrival::class] as $class) {
            $this->entities->createQuery("DELETE {$class} one WHERE one.until < :now")->execute(['now' => now()]);
        }
    }
}
