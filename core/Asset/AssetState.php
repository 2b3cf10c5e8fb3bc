<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

/**
 * How far something that comes in is: sent in parts, waiting for its turn, being made ready; then ready, or refused with a
 * reason. A pure machine: from a state and an act to a state. An act that a state does not know leaves it as it is, since every
 * message may arrive twice.
 */
enum AssetState: string
{
    case Sending = 'sending';
    case Waiting = 'waiting';
    case Preparing = 'preparing';
    case Ready = 'ready';
    case Refused = 'refused';

    public function after(AssetAct $act): self
    {
        return match ([$this, $act]) {
            [self::Sending, AssetAct::Finish] => self::Waiting,
            // One whose worker was lost is begun again.
            [self::Waiting, AssetAct::Begin], [self::Preparing, AssetAct::Begin] => self::Preparing,
            [self::Preparing, AssetAct::Succeed] => self::Ready,
            [self::Preparing, AssetAct::Refuse] => self::Refused,
            default => $this,
        };
    }

    public function isOver(): bool
    {
        return self::Ready === $this || self::Refused === $this;
    }
}
