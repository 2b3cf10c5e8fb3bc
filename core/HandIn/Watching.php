<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** What a class sees of its own films, and when it says thank you for one. */
final class Watching
{
    /** Hours for which thank-yous are taken: as long as a screening takes; who forgets to close it is not thanked at night. */
    public const THANKED_FOR = 3;

    /** Whether one of the class may watch a film by themselves. */
    public static function isShown(HandInState $state, bool $classSees): bool
    {
        return $classSees && HandInState::Accepted === $state;
    }

    /** Whether one of the class may say thank you for a film: for what all watch, and nobody for their own. */
    public static function mayThank(bool $isOnTheWall, bool $isOwn): bool
    {
        return $isOnTheWall && !$isOwn;
    }
}
