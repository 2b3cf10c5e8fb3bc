<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Relative luminance and contrast ratio of WCAG 2.2 (definitions of *relative luminance* and *contrast ratio*). */
final class Contrast
{
    /** WCAG 2.2, success criterion 1.4.3, for text of any size. */
    public const LEAST = 4.5;

    /** @param string $colour #RRGGBB */
    public static function luminance(string $colour): float
    {
        $channel = static fn(int $at): float => self::linear((int) hexdec(substr($colour, $at, 2)) / 255);

        return 0.2126 * $channel(1) + 0.7152 * $channel(3) + 0.0722 * $channel(5);
    }

    /** From two relative luminances, 0 to 1: the ratio, 1 to 21. */
    public static function ratio(float $a, float $b): float
    {
        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }

    /** The linear light of an sRGB component, both 0 to 1. */
    public static function linear(float $component): float
    {
        return $component <= 0.04045 ? $component / 12.92 : (($component + 0.055) / 1.055) ** 2.4;
    }

    /** The sRGB component of a linear light, both 0 to 1. */
    public static function component(float $linear): float
    {
        return $linear <= 0.0031308 ? $linear * 12.92 : 1.055 * $linear ** (1 / 2.4) - 0.055;
    }
}
