<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** Who makes one story together: some come to it and leave it as long as nothing of it waits for an answer, or was accepted. */
final class Together
{
    /**
     * @param int              $makers that it has
     * @param int              $most   that its task lets make one; 1 where each makes their own
     * @param HandInState|null $last   of the story's last hand-in that stands; null when there is none
     */
    public static function joining(int $makers, int $most, ?HandInState $last): ?TogetherRefusal
    {
        return match (true) {
            self::stands($last) => TogetherRefusal::HandedIn,
            $makers >= $most => TogetherRefusal::Full,
            default => null,
        };
    }

    /** @param int $makers that it has; somebody has to stay */
    public static function leaving(int $makers, ?HandInState $last): ?TogetherRefusal
    {
        return match (true) {
            self::stands($last) => TogetherRefusal::HandedIn,
            $makers < 2 => TogetherRefusal::Last,
            default => null,
        };
    }

    private static function stands(?HandInState $last): bool
    {
        return null !== $last && ($last->waits() || HandInState::Accepted === $last);
    }
}
