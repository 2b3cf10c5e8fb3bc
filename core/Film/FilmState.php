<?php

declare(strict_types=1);

namespace Rhapsode\Core\Film;

/**
 * How far a film is: waiting for its turn, its segments being made, those being concatenated; then done, failed or cancelled. A
 * pure machine: from a state and an act to a state. An act that a state does not know leaves it as it is, since every message may
 * arrive twice, and one that is over stays what it is; only what was made and does not play is made again.
 */
enum FilmState: string
{
    case Waiting = 'waiting';
    case Making = 'making';
    /** Its value is older than its name. */
    case Concatenating = 'joining';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function after(FilmAct $act): self
    {
        return match (true) {
            self::Done === $this && FilmAct::Spoil === $act => self::Failed,
            $this->isOver() => $this,
            FilmAct::Cancel === $act => self::Cancelled,
            FilmAct::Fail === $act => self::Failed,
            self::Waiting === $this && FilmAct::Begin === $act => self::Making,
            self::Making === $this && FilmAct::Concatenate === $act => self::Concatenating,
            self::Concatenating === $this && FilmAct::Succeed === $act => self::Done,
            default => $this,
        };
    }

    public function isOver(): bool
    {
        return \in_array($this, [self::Done, self::Failed, self::Cancelled], true);
    }

    /** Whether the same film asked for again is made again. */
    public function isMadeAgain(): bool
    {
        return self::Failed === $this || self::Cancelled === $this;
    }
}
