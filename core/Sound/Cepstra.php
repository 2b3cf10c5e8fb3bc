<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Document\Limits;

/**
 * How a voice sounds, moment by moment, so that two of them can be compared: mel-frequency cepstra (Davis and Mermelstein, 1980),
 * without what stays the same all the time (the microphone, the room) and each as strong as the others.
 */
final readonly class Cepstra
{
    /** Hertz of the samples it is made of: what tells one sound of speech from another lies under half of that. */
    public const RATE = 8_000;
    /** Moments a second. */
    public const MOMENTS = 50;
    private const WINDOW = 256;
    private const STEP = 160;
    private const BANDS = 24;
    private const COEFFICIENTS = 12;
    private const LOWEST = 100.0;
    private const HIGHEST = 3800.0;
    /** Decibels under the loudest moment beyond which nobody speaks. */
    private const RANGE = 35.0;

    /** @param list<list<float>> $moments */
    private function __construct(public array $moments) {}

    /** @param list<float> $samples at RATE, -1 to 1 */
    public static function of(array $samples): self
    {
        $fourier = new Fourier(self::WINDOW);
        $bands = self::bands();
        $shapes = [];
        for ($q = 1; $q <= self::COEFFICIENTS; ++$q) {
            $shapes[] = array_map(static fn(int $band): float => cos(\M_PI * $q * ($band + 0.5) / self::BANDS), range(0, self::BANDS - 1));
        }
        $window = array_map(static fn(int $i): float => 0.54 - 0.46 * cos(2 * \M_PI * $i / (self::WINDOW - 1)), range(0, self::WINDOW - 1));
        $moments = $levels = [];
        $last = \count($samples) - self::WINDOW;
        for ($from = 0; $from <= $last; $from += self::STEP) {
            $stretch = [];
            $energy = 0.0;
            $before = $samples[max(0, $from - 1)];
            foreach ($window as $i => $weight) {
                $sample = $samples[$from + $i];
                $energy += $sample * $sample;
                // What is high is weak in a voice, and tells as much.
                $stretch[] = ($sample - 0.97 * $before) * $weight;
                $before = $sample;
            }
            $power = $fourier->power($stretch);
            $logarithms = array_map(static function (array $band) use ($power): float {
                $sum = 1e-7;
                foreach ($band as $k => $weight) {
                    $sum += $weight * $power[$k];
                }

                return log($sum);
            }, $bands);
            $moments[] = array_map(static function (array $shape) use ($logarithms): float {
                $sum = 0.0;
                foreach ($logarithms as $band => $value) {
                    $sum += $value * $shape[$band];
                }

                return $sum;
            }, $shapes);
            $levels[] = 10 * log10($energy / self::WINDOW + 1e-10);
        }

        // Silence is like silence, and says nothing.
        return new self(max([-200.0, ...$levels]) < Limits::SILENT ? [] : self::evened($moments, $levels));
    }

    /** @return list<array<int, float>> for each band the weights of frequencies: triangles evenly apart on the mel scale */
    private static function bands(): array
    {
        $mel = static fn(float $hertz): float => 1127 * log(1 + $hertz / 700);
        $edges = [];
        for ($i = 0; $i <= self::BANDS + 1; ++$i) {
            $at = $mel(self::LOWEST) + ($mel(self::HIGHEST) - $mel(self::LOWEST)) * $i / (self::BANDS + 1);
            $edges[] = 700 * (exp($at / 1127) - 1) / self::RATE * self::WINDOW;
        }
        $bands = [];
        for ($band = 0; $band < self::BANDS; ++$band) {
            [$low, $middle, $high] = [$edges[$band], $edges[$band + 1], $edges[$band + 2]];
            $weights = [];
            for ($k = (int) ceil($low); $k <= $high; ++$k) {
                $weights[$k] = $k <= $middle ? ($k - $low) / ($middle - $low) : ($high - $k) / ($high - $middle);
            }
            $bands[] = $weights;
        }

        return $bands;
    }

    /**
     * @param list<list<float>> $moments
     * @param list<float>       $levels  decibels
     *
     * @return list<list<float>>
     */
    private static function evened(array $moments, array $levels): array
    {
        $quiet = max([-100.0, ...$levels]) - self::RANGE;
        $spoken = array_values(array_filter($moments, static fn(int $i): bool => $levels[$i] > $quiet, \ARRAY_FILTER_USE_KEY));
        $means = $spreads = [];
        for ($q = 0; $q < self::COEFFICIENTS; ++$q) {
            $values = array_column($spoken, $q);
            $count = max(1, \count($values));
            $means[$q] = $mean = array_sum($values) / $count;
            $spreads[$q] = sqrt(array_sum(array_map(static fn(float $value): float => ($value - $mean) ** 2, $values)) / $count) ?: 1.0;
        }

        return array_map(static fn(array $moment): array => array_map(
            static fn(float $value, float $mean, float $spread): float => ($value - $mean) / $spread,
            $moment,
            $means,
            $spreads,
        ), $moments);
    }
}
