<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Film\FilmState;

/** When a film may be handed in. */
final class HandingIn
{
    /**
     * @param bool|null        $plays    whether it plays to its end; null until that was tried
     * @param HandInState|null $before   of this very film where it was handed in before; one that was taken back may be handed in again
     * @param HandInState|null $last     of the story's last hand-in that stands; null when there is none
     * @param bool             $isClosed whether the teacher takes no more films
     */
    public static function refusal(FilmState $film, ?bool $plays, ?HandInState $before, ?HandInState $last, bool $isClosed = false): ?HandInRefusal
    {
        return match (true) {
            FilmState::Done !== $film => HandInRefusal::FilmNotMade,
            null === $plays => HandInRefusal::FilmNotPlayed,
            !$plays => HandInRefusal::FilmDoesNotPlay,
            null !== $before && HandInState::Withdrawn !== $before => HandInRefusal::FilmHandedInBefore,
            HandInState::Accepted === $last => HandInRefusal::StoryAccepted,
            $isClosed => HandInRefusal::Closed,
            default => null,
        };
    }

    /**
     * That something is late is a fact, and no reason to refuse it.
     *
     * @param string $on  the day on which it was handed in, by the school's clock (ISO 8601, 2026-11-20)
     * @param string $due until that day is over nothing is late
     */
    public static function isLate(string $on, string $due): bool
    {
        return $on > $due;
    }
}
