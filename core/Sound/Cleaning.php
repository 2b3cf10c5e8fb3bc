<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/**
 * Whether and how far a steady noise under a voice (hum, hiss, a fan) is lowered. Gently: the noise never goes by more than
 * 12 dB, since what is taken out further takes the voice's own breath with it (common practice).
 */
final readonly class Cleaning
{
    /** Noise this far under the voice disturbs nobody. dB. */
    private const QUIET_ENOUGH = 45.0;
    private const MOST = 12.0;
    /** Seconds of noise alone that are needed to know it. */
    private const LEAST = 0.25;

    /**
     * @param float          $decibels by which the noise is lowered
     * @param array{int, int} $noise   samples where the noise is heard alone
     */
    private function __construct(public float $decibels, public array $noise) {}

    /**
     * @param list<float>           $levels RMS in dBFS for each 10 ms
     * @param array{int, int}       $voice  samples from and to
     * @param list<array{int, int}> $pauses
     */
    public static function of(array $levels, int $samples, array $voice, array $pauses): ?self
    {
        $distance = VoiceActivity::noise($levels);
        if (null === $distance || $distance >= self::QUIET_ENOUGH) {
            return null;
        }
        $longest = null;
        foreach ([[0, $voice[0]], ...$pauses, [$voice[1], $samples]] as [$from, $to]) {
            // The edges of a pause still ring with the voice, and a button is heard at those of a recording.
            $margin = intdiv(min($to - $from, 9600), 4);
            [$from, $to] = [$from + $margin, $to - $margin];
            if (null === $longest || $to - $from > $longest[1] - $longest[0]) {
                $longest = [$from, $to];
            }
        }
        if ($longest[1] - $longest[0] < self::LEAST * 48_000) {
            return null;
        }

        return new self(round(min(self::MOST, self::QUIET_ENOUGH - $distance), 1), [$longest[0], min($longest[1], $longest[0] + 96_000)]);
    }
}
