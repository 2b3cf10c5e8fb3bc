<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\Inspection;
use Rhapsode\Core\Picture\Salience;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Finds what matters in a picture: its faces, by a small net in a process of its own, and what stands out. */
final class MattersOf
{
    private const SECONDS = 30.0;
    /** Of address space, of which the process takes much and uses little. */
    private const MEGABYTES = 60_000;

    /**
     * @param string $thumb a small copy of a prepared picture
     *
     * @throws ToolFailed where it cannot be read
     */
    public static function picture(string $thumb): Matters
    {
        $image = VipsImage::ofJpeg($thumb);
        [$width, $height, $pixels] = [$image->width(), $image->height(), $image->pixels()];

        return new Matters(self::faces($pixels, $width, $height), ...Salience::of(self::grey($pixels, $width, $height)));
    }

    /**
     * @param string $pixels red, green and blue of one after the other
     *
     * @return list<Frame> the largest first
     */
    private static function faces(string $pixels, int $width, int $height): array
    {
        try {
            [$answer] = Tool::run(
                ['node', '--max-old-space-size=256', __DIR__ . '/faces.cjs'],
                self::SECONDS,
                self::MEGABYTES,
                "{$width} {$height}\n{$pixels}",
            );
        } catch (ToolFailed) {
            // A picture whose faces are not known is framed by what stands out: it is no reason to refuse it.
            return [];
        }
        /** @var list<array{x: float, y: float, width: float, height: float}> $found */
        $found = json_decode($answer, true, 8, \JSON_THROW_ON_ERROR);
        $faces = [];
        foreach ($found as $face) {
            $left = max(0.0, $face['x']);
            $top = max(0.0, $face['y']);
            [$wide, $high] = [min(1.0, $face['x'] + $face['width']) - $left, min(1.0, $face['y'] + $face['height']) - $top];
            if ($wide >= 0.02 && $high >= 0.02) {
                $faces[] = (new Frame($left, $top, $wide, $high))->rounded();
            }
        }
        usort($faces, static fn(Frame $a, Frame $b): int => $b->width * $b->height <=> $a->width * $a->height);

        return \array_slice($faces, 0, Limits::FACES);
    }

    /**
     * What may be wrong with it.
     *
     * @throws ToolFailed where it cannot be read
     */
    public static function inspected(string $thumb): Inspection
    {
        $image = VipsImage::ofJpeg($thumb);
        $pixels = $image->pixels();
        $grey = $brightest = '';
        for ($i = 0, $end = \strlen($pixels) - 2; $i < $end; $i += 3) {
            [$red, $green, $blue] = [$pixels[$i], $pixels[$i + 1], $pixels[$i + 2]];
            $grey .= \chr((2 * \ord($red) + 5 * \ord($green) + \ord($blue)) >> 3);
            $brightest .= max($red, $green, $blue);
        }

        return Inspection::of($grey, $image->width(), $image->height(), $brightest);
    }

    /** @return list<float> the light of as many pixels as Salience looks at, each the mean of its share of the picture */
    private static function grey(string $pixels, int $width, int $height): array
    {
        $side = Salience::SIDE;
        $sums = $counts = array_fill(0, $side * $side, 0);
        for ($y = 0, $i = 0; $y < $height; ++$y) {
            $row = intdiv($y * $side, $height) * $side;
            for ($x = 0; $x < $width; ++$x, $i += 3) {
                $at = $row + intdiv($x * $side, $width);
                $sums[$at] += 2 * \ord($pixels[$i]) + 5 * \ord($pixels[$i + 1]) + \ord($pixels[$i + 2]);
                ++$counts[$at];
            }
        }
        $grey = [];
        foreach ($sums as $at => $sum) {
            // A picture smaller than that leaves cells empty: they are as the one before.
            $grey[] = 0 === $counts[$at] ? ($grey[$at - 1] ?? 0.0) : $sum / (8 * $counts[$at]);
        }

        return $grey;
    }
}
