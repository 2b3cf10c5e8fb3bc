<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\Core\HandIn\HandInRefusal;
use Rhapsode\Core\HandIn\HandInState;

/** Changes of a hand-in: of two at once the one comes after the other, and knows what the first has done. */
final readonly class HandInChanges
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @param \Closure(HandInState): (HandInState|HandInRefusal) $next */
    public function become(HandIn $handIn, \Closure $next): void
    {
        $this->onItsOwn($handIn, static function () use ($handIn, $next): void {
            $state = $next($handIn->state);
            $handIn->state = $state instanceof HandInState ? $state : throw Refusals::said($state);
        });
    }

    /** @param \Closure(): void $change */
    public function whileRemarked(HandIn $handIn, \Closure $change): void
    {
        $this->onItsOwn($handIn, static function () use ($handIn, $change): void {
            $refusal = $handIn->state->remarkRefusal();
            null === $refusal ? $change() : throw Refusals::said($refusal);
        });
    }

    /**
     * Two answers at once: one after the other.
     *
     * @param \Closure(): void $change
     */
    public function onItsOwn(HandIn $handIn, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($handIn, $change): void {
            $this->entities->refresh($handIn, LockMode::PESSIMISTIC_WRITE);
            $change();
        });
        $this->entities->refresh($handIn);
    }
}
