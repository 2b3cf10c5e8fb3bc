<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Timing\Rate;

/**
 * What was noted while somebody spoke was noted by a clock. A machine that is too busy loses sound now and then without saying where:
 * what came later is found earlier in its recording then, by the share that is missing of it.
 */
final class RecorderClock
{
    /** Seconds that a recording may be shorter than the clock says: it begins to be heard a moment late. */
    private const LATE = 0.5;

    /** @param int|null $recorded samples by the clock, null where it was not told; $samples are those that there are */
    public static function share(?int $recorded, int $samples): float
    {
        return null === $recorded || $recorded - $samples < Rate::samples(self::LATE) ? 1.0 : $samples / $recorded;
    }
}
