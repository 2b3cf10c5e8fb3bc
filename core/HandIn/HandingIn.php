<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Film\FilmState;

/** When a film may be handed in. */
final class HandingIn
{
    /**
     * @param bool             $before whether this very film was handed in before
     * @param HandInState|null $last   of the story's last hand-in; null when this is its first
     */
    public static function refusal(FilmState $film, bool $before, ?HandInState $last): ?HandInRefusal
    {
        return match (true) {
            FilmState::Done !== $film => HandInRefusal::FilmNotMade,
            $before => HandInRefusal::FilmHandedInBefore,
            HandInState::Accepted === $last => HandInRefusal::StoryAccepted,
            default => null,
        };
    }
}
