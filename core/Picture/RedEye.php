<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;

/**
 * Takes the red out of an eye that a flash has lit. Only what is red about the middle of a mark, and hangs together, is changed: its red
 * becomes the mean of its green and blue, softly toward its edge. A mark on something else, as on a red coat, changes nothing.
 * The page does the same (web/mend/redEye.ts), held by tests/golden/red-eyes.json.
 */
final class RedEye
{
    /** How many times the mean of green and blue the red of the reddest pixel is at least, and of what hangs together with it. */
    private const RED = 1.7;
    private const LEAST = 1.5;
    /** A dark pixel's colour says little: below this red it counts less. */
    private const DARK = 60;
    /** How much of the mark may be red: more is no pupil. */
    private const MOST = 0.7;
    /** Where the eyes lie in the box in which a face is found, and how broad a mark is over one, in its shares (common practice in portraits). */
    private const IN_FACES = [[0.32, 0.3], [0.68, 0.3]];
    private const OF_A_FACE = 0.2;
    /** The share of the mark, about its middle, in which the reddest pixel is looked for. */
    private const SEED = 0.5;

    /**
     * Marks on the eyes of all faces.
     *
     * @return list<Frame>
     */
    public static function marks(Picture $picture): array
    {
        $marks = [];
        foreach ($picture->matters->faces ?? [] as $face) {
            foreach (self::IN_FACES as [$x, $y]) {
                $width = max(Limits::LEAST_PART, self::OF_A_FACE * $face->width);
                $height = max(Limits::LEAST_PART, $width * $picture->width / $picture->height);
                $marks[] = Frame::about($face->x + $x * $face->width, $face->y + $y * $face->height, $width, $height)->rounded();
            }
        }

        return $marks;
    }

    /**
     * @param string $pixels red, green and blue of one pixel after the other, row by row: all of the mark, and nothing else
     *
     * @return string the same, mended
     */
    public static function mended(string $pixels, int $width, int $height): string
    {
        $bytes = array_map(\ord(...), str_split($pixels));
        $red = static fn(int $n): float => $bytes[3 * $n] / max(1.0, ($bytes[3 * $n + 1] + $bytes[3 * $n + 2]) / 2);
        [$seed, $best] = [-1, 0.0];
        for ($n = 0; $n < $width * $height; ++$n) {
            if (self::away($n, $width, $height) <= self::SEED ** 2) {
                $value = $red($n) * min(1.0, $bytes[3 * $n] / self::DARK);
                [$seed, $best] = $value > $best ? [$n, $value] : [$seed, $best];
            }
        }
        if ($best < self::RED) {
            return $pixels;
        }
        $within = self::grown($seed, max(self::LEAST, 1 + ($best - 1) * 0.35), $red, $width, $height);
        if (array_sum($within) > self::MOST * M_PI * $width * $height / 4) {
            return $pixels;
        }
        foreach (self::softened(self::softened($within, $width, $height), $width, $height) as $n => $share) {
            if ($share > 0) {
                $grey = ($bytes[3 * $n + 1] + $bytes[3 * $n + 2]) / 2;
                $bytes[3 * $n] = (int) floor($bytes[3 * $n] * (1 - $share) + $share * min($bytes[3 * $n], $grey) + 0.5);
            }
        }

        return pack('C*', ...$bytes);
    }

    /** How far from the middle, squared: 1 at the edge of the round that the mark holds. */
    private static function away(int $n, int $width, int $height): float
    {
        $x = (2 * ($n % $width) + 1) / $width - 1;
        $y = (2 * intdiv($n, $width) + 1) / $height - 1;

        return $x * $x + $y * $y;
    }

    /**
     * All red pixels that hang together with the first, within the round.
     *
     * @param \Closure(int): float $red
     *
     * @return list<float> 1 for each of them, 0 for the others
     */
    private static function grown(int $seed, float $limit, \Closure $red, int $width, int $height): array
    {
        $within = array_fill(0, $width * $height, 0.0);
        $within[$seed] = 1.0;
        $open = [$seed];
        while ([] !== $open) {
            $n = array_pop($open);
            $x = $n % $width;
            foreach ([$x > 0 ? $n - 1 : -1, $x < $width - 1 ? $n + 1 : -1, $n - $width, $n + $width] as $next) {
                if ($next >= 0 && $next < $width * $height && 0.0 === $within[$next] && self::away(
                    $next,
                    $width,
                    $height,
                ) <= 1.0 && $red($next) >= $limit) {
                    $within[$next] = 1.0;
                    $open[] = $next;
                }
            }
        }

        return array_values($within);
    }

    /**
     * @param list<float> $mask
     *
     * @return list<float>
     */
    private static function softened(array $mask, int $width, int $height): array
    {
        $soft = $mask;
        for ($y = 1; $y < $height - 1; ++$y) {
            for ($x = 1; $x < $width - 1; ++$x) {
                $n = $y * $width + $x;
                if ($mask[$n] < 1.0) {
                    $soft[$n] = ($mask[$n - $width - 1] + $mask[$n - $width] + $mask[$n - $width + 1] + $mask[$n - 1] + $mask[$n] + $mask[$n + 1]
                        + $mask[$n + $width - 1] + $mask[$n + $width] + $mask[$n + $width + 1]) / 9;
                }
            }
        }

        return array_values($soft);
    }
}
