<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** How long a school keeps what a class has made, once its year is over. Days are of the school's clock (ISO 8601, 2026-07-31). */
final class Keeping
{
    /**
     * @param string $archived  when the year was over
     * @param int    $years     that the school keeps it, 1 to Limits::KEPT_YEARS
     * @param string $notBefore when the notice is over
     *
     * @return string the first day on which it is there no more
     */
    public static function goesOn(string $archived, int $years, string $notBefore): string
    {
        return max(self::later($archived, $years), $notBefore);
    }

    /** The same day of a later year; of a leap day where that year has none, the day after the last of February. */
    private static function later(string $day, int $years): string
    {
        $year = (int) substr($day, 0, 4) + $years;
        $isLeap = 0 === $year % 4 && (0 !== $year % 100 || 0 === $year % 400);
        $rest = substr($day, 4);

        return \sprintf('%04d%s', $year, '-02-29' === $rest && !$isLeap ? '-03-01' : $rest);
    }
}
