<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Timing\Rate;

/**
 * Where the gain of a voice goes down for a while and comes back: over breaths, which stay to be heard, since a voice without any is
 * no person's, and over the clicks of a mouth.
 */
final readonly class Dips
{
    /** Decibels (common practice in speech editing: 6 to 12 for a breath). */
    private const BREATHS = -9.0;
    private const CLICKS = -18.0;
    /** Seconds in which it goes down before, and comes back behind. */
    private const SOFTLY = 0.015;
    private const QUICKLY = 0.005;

    /** @param list<array{int, int, int, float}> $dips samples of the recording from and to (exclusive), of going down, and the factor */
    private function __construct(private array $dips) {}

    public static function in(Voice $voice): self
    {
        $dips = [];
        foreach ([
            [Lowered::Breaths, $voice->breaths, self::SOFTLY, self::BREATHS],
            [Lowered::Clicks, $voice->clicks, self::QUICKLY, self::CLICKS],
        ] as [$what, $stretches, $edge, $decibels]) {
            foreach ($voice->take->isLowered($what) ? $stretches : [] as [$from, $to]) {
                $dips[] = [$from, $to, Rate::samples($edge), Loudness::factor($decibels)];
            }
        }

        return new self($dips);
    }

    /** @return list<int> samples of the recording between $from and $to at which its factor begins to go elsewhere, in order */
    public function moments(int $from, int $to): array
    {
        $moments = [];
        foreach ($this->dips as [$begins, $ends, $edge]) {
            $moments = [...$moments, $begins - $edge, $begins, $ends, $ends + $edge];
        }
        $moments = array_unique(array_filter($moments, static fn(int $moment): bool => $moment > $from && $moment < $to));
        sort($moments);

        return $moments;
    }

    public function factor(int $sample): float
    {
        $least = 1.0;
        foreach ($this->dips as [$begins, $ends, $edge, $factor]) {
            $away = max($begins - $sample, $sample - $ends, 0) / $edge;
            $least = min($least, $factor + (1.0 - $factor) * min(1.0, $away));
        }

        return $least;
    }
}
