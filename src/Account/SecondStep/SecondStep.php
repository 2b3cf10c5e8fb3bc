<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\OneTimeCode;

use function Symfony\Component\Clock\now;

/** Besides a password, six digits that a device of one's own shows; or, where the device is lost, one of a few spare codes. */
final readonly class SecondStep
{
    /** Bytes of a secret: as many as SHA-1 gives, as RFC 4226, 4 recommends. */
    private const SECRET = 20;
    private const SPARES = 8;
    /** Bytes of a spare code: 80 bits, so that a plain hash keeps it as well as a slow one. */
    private const SPARE = 10;

    public function __construct(private EntityManagerInterface $entities, private Sealing $sealing) {}

    public static function secret(): string
    {
        return random_bytes(self::SECRET);
    }

    /**
     * From now on it is asked for.
     *
     * @return list<string>|null the spare codes, told once; null where the code is not what the device shows now
     */
    public function begin(User $user, #[\SensitiveParameter] string $secret, string $code): ?array
    {
        return $this->alone($user, function () use ($user, $secret, $code): ?array {
            $step = OneTimeCode::step($secret, $code, now()->getTimestamp());
            if (null === $step) {
                return null;
            }
            $spares = [];
            for ($n = 0; $n < self::SPARES; ++$n) {
                $spares[] = OneTimeCode::letters(random_bytes(self::SPARE));
            }
            $user->secondStep = $this->sealing->seal($secret);
            $user->lastStep = $step;
            $user->spares = array_map(self::hash(...), $spares);

            return array_map(static fn(string $spare): string => implode(' ', str_split($spare, 4)), $spares);
        });
    }

    public function end(User $user): void
    {
        $this->alone($user, static function () use ($user): void {
            $user->secondStep = $user->lastStep = null;
            $user->spares = [];
        });
    }

    /** Whether it is what the device shows now, or a spare code: each is good once, also where two come at the same time. */
    public function take(User $user, string $typed): bool
    {
        return $this->alone($user, function () use ($user, $typed): bool {
            $secret = null === $user->secondStep ? null : $this->sealing->open($user->secondStep);
            $step = null === $secret ? null : OneTimeCode::step($secret, $typed, now()->getTimestamp());
            if (null !== $step && $step > $user->lastStep) {
                $user->lastStep = $step;

                return true;
            }
            $left = array_values(array_diff($user->spares, [self::hash($typed)]));
            $isSpare = \count($left) < \count($user->spares);
            $user->spares = $left;

            return $isSpare;
        });
    }

    private static function hash(string $spare): string
    {
        return hash('sha256', strtoupper((string) preg_replace('/[^a-z2-7]+/i', '', $spare)));
    }

    /**
     * @template T
     *
     * @param \Closure(): T $act
     *
     * @return T
     */
    private function alone(User $user, \Closure $act): mixed
    {
        return $this->entities->wrapInTransaction(function () use ($user, $act): mixed {
            $this->entities->refresh($user, LockMode::PESSIMISTIC_WRITE);

            return $act();
        });
    }
}
