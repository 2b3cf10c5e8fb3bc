<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Geometry\Frame;

/**
 * What may be wrong with a picture that comes in: black borders, as scans and screenshots have them, and that nothing in it is sharp.
 * Both are said, and nothing is done about them unasked.
 */
final readonly class Inspection
{
    /** Light of 255 up to which a border is black, whatever grain it has. */
    private const BLACK = 40;
    /** How much lighter the picture is right beside it, on the mean. */
    private const STEP = 18;
    /** Lines of so many within which the picture begins: scanners and codecs blur the edge. */
    private const EDGE = 3;
    /** Shares of a side: a border is at least so broad, and the picture within at least so large. */
    private const LEAST_BORDER = 0.012;
    private const LEAST_INSIDE = 0.35;
    /** Steps of light of 255, from neighbour to neighbour, that the sharpest pixel of two hundred makes at least in a sharp picture. */
    private const SHARP = 5;

    /** @param Frame|null $unbordered what lies within black borders; null where there are none */
    private function __construct(public ?Frame $unbordered, public bool $isSoft) {}

    /**
     * @param string      $grey      the light of a small copy, a byte for each pixel, row by row
     * @param string|null $brightest the brightest of each pixel's colours, where they are known: a deep blue is not black
     */
    public static function of(string $grey, int $width, int $height, ?string $brightest = null): self
    {
        $brightest ??= $grey;
        if ($width < 16 || $height < 16) {
            return new self(null, false);
        }
        $row = static fn(int $y): string => substr($brightest, $y * $width, $width);
        $column = static function (int $x) use ($brightest, $width, $height): string {
            $line = '';
            for ($y = 0; $y < $height; ++$y) {
                $line .= $brightest[$y * $width + $x];
            }

            return $line;
        };
        $top = self::border($row, $height);
        $bottom = self::border(static fn(int $i): string => $row($height - 1 - $i), $height);
        $left = self::border($column, $width);
        $right = self::border(static fn(int $i): string => $column($width - 1 - $i), $width);
        [$wide, $high] = [1 - ($left + $right) / $width, 1 - ($top + $bottom) / $height];
        $unbordered = 0 === $top + $bottom + $left + $right || $wide < self::LEAST_INSIDE || $high < self::LEAST_INSIDE
            ? null
            : (new Frame($left / $width, $top / $height, $wide, $high))->rounded();

        return new self($unbordered, self::softest($grey, $width, $height) < self::SHARP);
    }

    /**
     * @param \Closure(int): string $line from the edge inward
     *
     * @return int how many lines of it are border
     */
    private static function border(\Closure $line, int $side): int
    {
        $isBlack = static fn(string $pixels): bool => self::brightest($pixels) <= self::BLACK;
        $most = (int) ($side * (1 - self::LEAST_INSIDE));
        $lines = 0;
        while ($lines < $most && $isBlack($line($lines))) {
            ++$lines;
        }
        if ($lines < max(2, self::LEAST_BORDER * $side) || $lines === $most) {
            return 0;
        }
        $beside = max(array_map(static fn(int $i): float => self::mean($line(min($side - 1, $lines + $i))), range(0, self::EDGE)));
        // Where the picture itself grows dark toward its edge there is no step.
        if ($beside - self::mean($line($lines - 1)) < self::STEP) {
            return 0;
        }

        return min($most, $lines + 1);
    }

    /** The brightest but for a hundredth, which may be dust. */
    private static function brightest(string $pixels): int
    {
        $left = \strlen($pixels) / 100;
        $counts = count_chars($pixels, 1);
        krsort($counts);
        foreach ($counts as $value => $count) {
            $left -= $count;
            if ($left < 0) {
                return $value;
            }
        }

        return 0;
    }

    private static function mean(string $pixels): float
    {
        $sum = 0;
        foreach (count_chars($pixels, 1) as $value => $count) {
            $sum += $value * $count;
        }

        return $sum / max(1, \strlen($pixels));
    }

    /** The step that the sharpest pixel of two hundred makes against its neighbours (a Laplacian, which even slopes do not answer). */
    private static function softest(string $grey, int $width, int $height): int
    {
        $counts = array_fill(0, 256, 0);
        for ($y = 1; $y < $height - 1; ++$y) {
            for ($x = 1, $i = $y * $width + 1; $x < $width - 1; ++$x, ++$i) {
                $around = (\ord($grey[$i - 1]) + \ord($grey[$i + 1]) + \ord($grey[$i - $width]) + \ord($grey[$i + $width])) / 4;
                ++$counts[(int) abs(\ord($grey[$i]) - $around)];
            }
        }
        $left = ($width - 2) * ($height - 2) / 200;
        for ($step = 255; $step > 0; --$step) {
            $left -= $counts[$step];
            if ($left < 0) {
                return $step;
            }
        }

        return 0;
    }
}
