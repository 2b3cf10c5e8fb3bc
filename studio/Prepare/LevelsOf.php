<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Picture\Levels;
use Rhapsode\Studio\Tool\ToolFailed;

/** Measures how dark and how light a picture is. */
final class LevelsOf
{
    /**
     * @param string $thumb a small copy of a prepared picture: its levels are those of the whole
     *
     * @throws ToolFailed
     */
    public static function picture(string $thumb): Levels
    {
        return self::pixels(VipsImage::ofJpeg($thumb)->pixels());
    }

    /** @param string $pixels red, green and blue of one after the other */
    public static function pixels(string $pixels): Levels
    {
        $none = array_fill(0, 256, 0);
        $counts = [$none, $none, $none, $none];
        for ($i = 0, $end = \strlen($pixels) - 2; $i < $end; $i += 3) {
            [$red, $green, $blue] = [\ord($pixels[$i]), \ord($pixels[$i + 1]), \ord($pixels[$i + 2])];
            ++$counts[0][$red];
            ++$counts[1][$green];
            ++$counts[2][$blue];
            ++$counts[3][(int) (0.2126 * $red + 0.7152 * $green + 0.0722 * $blue + 0.5)];
        }

        return Levels::of($counts);
    }
}
