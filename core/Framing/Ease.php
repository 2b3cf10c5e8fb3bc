<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

/**
 * How a move gets under way and comes to rest: speed rises over the first fifth of the time, is even, and falls over the
 * last fifth, so that its peak is only 1.25 times its mean. Kept as a table of 65 points joined by straight lines, which
 * the plan hands to the preview: both performances read the same figures.
 */
final class Ease
{
    public const POINTS = 65;
    private const RAMP = 0.2;
    /** Its greatest speed, over its mean. */
    public const PEAK = 1 / (1 - self::RAMP);

    /** @var list<float>|null */
    private static ?array $table = null;

    /** @return list<float> from 0 to 1, evenly spaced in time */
    public static function table(): array
    {
        if (null === self::$table) {
            $table = [];
            for ($i = 0; $i < self::POINTS; ++$i) {
                $table[] = round(self::exact($i / (self::POINTS - 1)), 6);
            }
            self::$table = $table;
        }

        return self::$table;
    }

    public static function at(float $t): float
    {
        $place = max(0.0, min(1.0, $t)) * (self::POINTS - 1);
        $low = (int) floor($place);
        $table = self::table();
        $high = min($low + 1, self::POINTS - 1);

        return $table[$low] + ($table[$high] - $table[$low]) * ($place - $low);
    }

    private static function exact(float $t): float
    {
        return match (true) {
            $t < self::RAMP => self::PEAK * $t * $t / (2 * self::RAMP),
            $t > 1 - self::RAMP => 1 - self::PEAK * (1 - $t) * (1 - $t) / (2 * self::RAMP),
            default => self::PEAK * ($t - self::RAMP / 2),
        };
    }
}
