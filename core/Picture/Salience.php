<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Asset\Matters;

/**
 * What stands out in a picture, by its spectral residual: what is left of the picture when all that is as usual in its spectrum
 * is taken away (X. Hou and L. Zhang, "Saliency Detection: A Spectral Residual Approach", CVPR 2007), on a copy of 64 by 64.
 */
final class Salience
{
    public const SIDE = 64;
    /** A pixel at the edge counts this much less than one in the middle: what matters is seldom cut off by whoever took the picture. */
    private const EDGE = 0.5;
    /** An amplitude below this share of the mean. */
    private const FLOOR = 0.05;

    /**
     * @param string $grey the light of a small copy, a byte for each pixel, row by row
     *
     * @return array{list<int<0, 15>>, list<int<0, 15>>} along the width and down the height, as in Matters
     */
    public static function of(string $grey, int $width, int $height): array
    {
        $map = self::residual(self::small($grey, $width, $height));
        $across = $down = array_fill(0, Matters::PARTS, 0.0);
        $each = intdiv(self::SIDE, Matters::PARTS);
        foreach ($map as $i => $value) {
            [$x, $y] = [$i % self::SIDE, intdiv($i, self::SIDE)];
            $away = hypot($x / (self::SIDE - 1) - 0.5, $y / (self::SIDE - 1) - 0.5) / M_SQRT1_2;
            $value *= 1 - self::EDGE * $away;
            $across[intdiv($x, $each)] += $value;
            $down[intdiv($y, $each)] += $value;
        }

        return [self::scaled($across), self::scaled($down)];
    }

    /** @return list<float> the light of SIDE x SIDE pixels, each the mean of an even share of the picture */
    private static function small(string $grey, int $width, int $height): array
    {
        $sums = $counts = array_fill(0, self::SIDE ** 2, 0);
        for ($i = 0; $i < $width * $height; ++$i) {
            $at = intdiv(intdiv($i, $width) * self::SIDE, $height) * self::SIDE + intdiv($i % $width * self::SIDE, $width);
            $sums[$at] += \ord($grey[$i]);
            ++$counts[$at];
        }
        $small = [];
        foreach ($sums as $at => $sum) {
            // A picture smaller than that leaves cells empty: they are as the one before.
            $small[] = 0 === $counts[$at] ? ($small[$at - 1] ?? 0.0) : $sum / $counts[$at];
        }

        return $small;
    }

    /**
     * @param list<float> $small
     *
     * @return list<float>
     */
    private static function residual(array $small): array
    {
        $re = array_chunk($small, self::SIDE);
        $im = array_fill(0, self::SIDE, array_fill(0, self::SIDE, 0.0));
        self::transform($re, $im, -1);
        $amplitudes = [];
        for ($i = 0; $i < self::SIDE ** 2; ++$i) {
            $amplitudes[] = hypot($re[intdiv($i, self::SIDE)][$i % self::SIDE], $im[intdiv($i, self::SIDE)][$i % self::SIDE]);
        }
        // What is as good as nothing says nothing.
        $floor = 1e-6 + self::FLOOR * (array_sum($amplitudes) - $amplitudes[0]) / self::SIDE ** 2;
        $logs = array_map(static fn(float $amplitude): float => log($floor + $amplitude), $amplitudes);
        $usual = self::blurred($logs, 1);
        for ($i = 0; $i < self::SIDE ** 2; ++$i) {
            // Its phase stays; its amplitude is what differs from the usual.
            $scale = exp(-$usual[$i]);
            $re[intdiv($i, self::SIDE)][$i % self::SIDE] *= $scale;
            $im[intdiv($i, self::SIDE)][$i % self::SIDE] *= $scale;
        }
        self::transform($re, $im, 1);
        $map = [];
        for ($i = 0; $i < self::SIDE ** 2; ++$i) {
            $map[] = $re[intdiv($i, self::SIDE)][$i % self::SIDE] ** 2 + $im[intdiv($i, self::SIDE)][$i % self::SIDE] ** 2;
        }

        return self::blurred(self::blurred($map, 2), 2);
    }

    /**
     * Each pixel the mean of the square about it; past the edges the edge goes on.
     *
     * @param list<float> $map
     *
     * @return list<float>
     */
    private static function blurred(array $map, int $reach): array
    {
        foreach ([1, self::SIDE] as $step) {
            $out = [];
            for ($i = 0; $i < self::SIDE ** 2; ++$i) {
                $place = 1 === $step ? $i % self::SIDE : intdiv($i, self::SIDE);
                $sum = 0.0;
                for ($d = -$reach; $d <= $reach; ++$d) {
                    $sum += $map[$i + (max(0, min(self::SIDE - 1, $place + $d)) - $place) * $step];
                }
                $out[] = $sum / (2 * $reach + 1);
            }
            $map = $out;
        }

        return $map;
    }

    /**
     * The discrete Fourier transform of rows and then of columns, in place.
     *
     * @param array<int, array<int, float>> $re
     * @param array<int, array<int, float>> $im
     */
    private static function transform(array &$re, array &$im, int $sign): void
    {
        foreach (array_keys($re) as $row) {
            [$re[$row], $im[$row]] = self::fft($re[$row], $im[$row], $sign);
        }
        for ($column = 0; $column < self::SIDE; ++$column) {
            [$r, $i] = self::fft(array_column($re, $column), array_column($im, $column), $sign);
            for ($row = 0; $row < self::SIDE; ++$row) {
                [$re[$row][$column], $im[$row][$column]] = [$r[$row], $i[$row]];
            }
        }
    }

    /**
     * By halves (J. W. Cooley and J. W. Tukey, 1965); not scaled.
     *
     * @param array<int, float> $re a power of two of them
     * @param array<int, float> $im
     *
     * @return array{list<float>, list<float>}
     */
    private static function fft(array $re, array $im, int $sign): array
    {
        $count = \count($re);
        if (1 === $count) {
            return [array_values($re), array_values($im)];
        }
        $half = intdiv($count, 2);
        $split = [[[], []], [[], []]];
        for ($i = 0; $i < $count; ++$i) {
            $split[$i % 2][0][] = $re[$i];
            $split[$i % 2][1][] = $im[$i];
        }
        [$evenRe, $evenIm] = self::fft($split[0][0], $split[0][1], $sign);
        [$oddRe, $oddIm] = self::fft($split[1][0], $split[1][1], $sign);
        $outRe = $outIm = array_fill(0, $count, 0.0);
        for ($k = 0; $k < $half; ++$k) {
            $angle = $sign * 2 * M_PI * $k / $count;
            $r = $oddRe[$k] * cos($angle) - $oddIm[$k] * sin($angle);
            $i = $oddRe[$k] * sin($angle) + $oddIm[$k] * cos($angle);
            [$outRe[$k], $outIm[$k]] = [$evenRe[$k] + $r, $evenIm[$k] + $i];
            [$outRe[$k + $half], $outIm[$k + $half]] = [$evenRe[$k] - $r, $evenIm[$k] - $i];
        }

        return [array_values($outRe), array_values($outIm)];
    }

    /**
     * @param array<int, float> $figures
     *
     * @return list<int<0, 15>>
     */
    private static function scaled(array $figures): array
    {
        $most = max(1e-9, ...$figures);

        return array_values(
            array_map(static fn(float $f): int => max(0, min(Matters::MOST, (int) round(Matters::MOST * $f / $most))), $figures),
        );
    }
}
