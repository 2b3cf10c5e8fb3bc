<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Rubric\Marks;

/** What a platform is told of an answered film: AGS 2.0 §3.4. */
final class Score
{
    /** Where there is no rubric, an accepted film has all of the one point there is. */
    private const WITHOUT_RUBRIC = 1;

    /**
     * @param string $when in RFC 3339 with parts of a second, in UTC: an older one never takes the place of a newer one (AGS 2.0 §3.4.7)
     *
     * @return array<string, int|string>|null null for what a platform is not told of: what was not accepted
     */
    public static function of(HandInState $state, ?Marks $marks, string $subject, string $answer, string $when): ?array
    {
        if (HandInState::Accepted !== $state) {
            return null;
        }
        $isMarked = null !== $marks && $marks->isWhole() && $marks->rubric->most() > 0;

        return [
            'userId' => $subject,
            'timestamp' => $when,
            'activityProgress' => 'Completed',
            'gradingProgress' => 'FullyGraded',
            'scoreGiven' => $isMarked ? $marks->points() : self::WITHOUT_RUBRIC,
            'scoreMaximum' => $isMarked ? $marks->rubric->most() : self::WITHOUT_RUBRIC,
        ] + ('' === $answer ? [] : ['comment' => $answer]);
    }

    /** Before the question mark, where an address has one (AGS 2.0 §3.2.9). */
    public static function address(string $lineItem): string
    {
        $parts = explode('?', $lineItem, 2);

        return rtrim($parts[0], '/') . '/scores' . (isset($parts[1]) ? "?{$parts[1]}" : '');
    }
}
