<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Timing\Rate;

/**
 * Where somebody draws breath between what they say: a noise that stands out of the room, well under the voice, begins out of
 * quiet, lasts longer than a consonant, and is neither sung (its spectrum has no harmonics) nor a hiss (what an s has lies higher).
 * (Figures are common practice in speech editing, and proved in the tests on breaths planted among synthesized voices.)
 */
final class Breaths
{
    /** Hertz of the samples that are listened to. */
    public const RATE = 16_000;
    /** Samples of a window at that rate, of which the next begins in the middle. */
    private const WINDOW = 512;
    /** Decibels over the room and under the voice. */
    private const OVER = 6.0;
    private const UNDER = 12.0;
    /** What is under that nobody hears, however quiet a room is. dBFS. */
    private const UNHEARD = -75.0;
    /** Tens of milliseconds: of quiet before it, of itself at least and at most. */
    private const QUIET = 3;
    private const LEAST = 15;
    private const MOST = 120;
    /** Hertz between which its middle lies. */
    private const LOWEST = 500.0;
    private const HIGHEST = 3200.0;
    /** How even its spectrum is from 150 to 2000 Hz: noise has 0.56, a vowel 0.1. */
    private const EVEN = 0.25;

    /**
     * @param list<float>                     $levels  RMS in dBFS for each 10 ms
     * @param \Closure(int, int): list<float> $samples hears a stretch, from and to (exclusive) in samples at RATE; -1 to 1
     *
     * @return list<array{int, int}> samples at 48 kHz from and to (exclusive), in order
     */
    public static function of(array $levels, \Closure $samples): array
    {
        $found = [];
        foreach (self::candidates($levels) as [$from, $to]) {
            $per = intdiv(self::RATE, 100);
            if (self::isBreath($samples($from * $per, $to * $per))) {
                $found[] = [$from * Trim::WINDOW, $to * Trim::WINDOW];
            }
        }

        return $found;
    }

    /**
     * @param list<float> $levels
     *
     * @return list<array{int, int}> windows from and to (exclusive) whose level may be a breath's
     */
    private static function candidates(array $levels): array
    {
        $voice = VoiceActivity::voice($levels);
        if (null === $voice) {
            return [];
        }
        $room = max(self::UNHEARD, VoiceActivity::floor($levels)) + self::OVER;
        $most = $voice - self::UNDER;
        $candidates = [];
        $quiet = self::QUIET;
        $begun = null;
        foreach ([...$levels, -200.0] as $i => $level) {
            if ($level <= $room) {
                if (null !== $begun) {
                    $candidates[] = [$begun, $i];
                    [$begun, $quiet] = [null, 0];
                }
                ++$quiet;
            } elseif ($level > $most) {
                // What runs into a word is left alone where that may have begun.
                if (null !== $begun) {
                    $candidates[] = [$begun, $i - self::QUIET];
                }
                [$begun, $quiet] = [null, 0];
            } else {
                if (null === $begun && $quiet >= self::QUIET) {
                    $begun = $i;
                }
                $quiet = 0;
            }
        }

        return array_values(array_filter(
            $candidates,
            static fn(array $one): bool => $one[1] - $one[0] >= self::LEAST && $one[1] - $one[0] <= self::MOST,
        ));
    }

    /** @param list<float> $samples */
    private static function isBreath(array $samples): bool
    {
        [$middle, $even] = self::sounds($samples);

        return $middle >= self::LOWEST && $middle <= self::HIGHEST && $even >= self::EVEN;
    }

    /**
     * @param list<float> $samples
     *
     * @return array{float, float} Hertz of its middle, and how even its spectrum is
     */
    private static function sounds(array $samples): array
    {
        $fourier = new Fourier(self::WINDOW);
        $hertz = self::RATE / self::WINDOW;
        [$low, $high] = [(int) ceil(150 / $hertz), (int) floor(2000 / $hertz)];
        $weight = $sum = 0.0;
        $evens = [];
        for ($from = 0; $from + self::WINDOW <= \count($samples); $from += intdiv(self::WINDOW, 2)) {
            $stretch = [];
            for ($i = 0; $i < self::WINDOW; ++$i) {
                $stretch[] = $samples[$from + $i] * (0.5 - 0.5 * cos(2 * \M_PI * $i / self::WINDOW));
            }
            $power = $fourier->power($stretch);
            for ($k = $low; $k < intdiv(self::WINDOW, 2); ++$k) {
                $weight += $power[$k];
                $sum += $power[$k] * $k * $hertz;
            }
            $band = \array_slice($power, $low, $high - $low);
            $logarithms = array_map(static fn(float $one): float => log($one + 1e-15), $band);
            $evens[] = exp(array_sum($logarithms) / \count($band)) / (array_sum($band) / \count($band) + 1e-15);
        }

        return [] === $evens ? [0.0, 0.0] : [$sum / ($weight + 1e-15), array_sum($evens) / \count($evens)];
    }
}
