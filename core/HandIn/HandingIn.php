<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Film\FilmState;

/** When a film may be handed in. */
final class HandingIn
{
    /**
     * @param bool             $before whether this very film was handed in before
     * @param HandInState|null $last   of the story's last hand-in; null when this is its first
     *
     * @throws Refused
     */
    public static function check(FilmState $film, bool $before, ?HandInState $last): void
    {
        match (true) {
            FilmState::Done !== $film => throw new Refused('This film is not made yet.'),
            $before => throw new Refused('This very film is handed in already.'),
            HandInState::Accepted === $last => throw new Refused('This story was accepted already.'),
            default => null,
        };
    }
}
