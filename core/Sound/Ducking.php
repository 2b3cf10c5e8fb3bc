<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Pacing\PlacedSpan;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Timing\Rate;

/**
 * How far the music has given way to the voice at every moment, 0 (not at all) to 1 (wholly).
 *
 * It is down before the voice begins (look-ahead), comes back slowly after it has ended, and stays down in pauses too
 * short to come back in. (Times are common practice in mixing speech over music: a down within half a second, a
 * return of about a second.)
 */
final readonly class Ducking
{
    public const ATTACK = 0.5;
    public const LOOK_AHEAD = 0.15;
    public const HOLD = 0.25;
    public const RELEASE = 1.0;
    /** Pauses shorter than this are held, in seconds: there and back would be heard as pumping. */
    private const SHORT = 2.5;

    /** @param list<array{int, int}> $spoken samples from and to, in order, apart from each other */
    private function __construct(private array $spoken) {}

    /** @param list<TimedSlide> $timed of a whole story, in order */
    public static function underAll(array $timed): self
    {
        return self::under(array_merge(...array_map(static fn(TimedSlide $one): array => $one->voice, $timed)));
    }

    /** @param list<PlacedSpan> $voices in the order of the film */
    public static function under(array $voices): self
    {
        $spoken = [];
        foreach ($voices as $voice) {
            $before = array_pop($spoken);
            if (null !== $before && $voice->at - $before[1] >= self::SHORT * Rate::SAMPLES) {
                $spoken[] = $before;
                $before = null;
            }
            $spoken[] = [$before[0] ?? $voice->at, $voice->end()];
        }

        return new self($spoken);
    }

    /** @return list<array{int, int}> the samples between which it changes */
    public function ramps(): array
    {
        $ramps = [];
        foreach ($this->spoken as [$from, $to]) {
            $down = $from - Rate::samples(self::LOOK_AHEAD);
            $up = $to + Rate::samples(self::HOLD);
            $ramps[] = [$down - Rate::samples(self::ATTACK), $down];
            $ramps[] = [$up, $up + Rate::samples(self::RELEASE)];
        }

        return $ramps;
    }

    public function at(int $sample): float
    {
        foreach ($this->spoken as [$from, $to]) {
            $down = $from - Rate::samples(self::LOOK_AHEAD);
            $up = $to + Rate::samples(self::HOLD);
            if ($sample < $down - Rate::samples(self::ATTACK)) {
                return 0.0;
            }
            if ($sample < $down) {
                return self::soft(1 - ($down - $sample) / Rate::samples(self::ATTACK));
            }
            if ($sample <= $up) {
                return 1.0;
            }
            if ($sample < $up + Rate::samples(self::RELEASE)) {
                return self::soft(1 - ($sample - $up) / Rate::samples(self::RELEASE));
            }
        }

        return 0.0;
    }

    /** A raised cosine: no corner is heard at either end. */
    private static function soft(float $t): float
    {
        return 0.5 - 0.5 * cos(\M_PI * $t);
    }
}
