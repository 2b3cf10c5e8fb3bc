<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/**
 * Chooses the colour of words, and the plate behind them where the picture needs one, so that the contrast against what
 * really lies under them is at least 4.5:1 everywhere and at every moment (WCAG 2.2, 1.4.3).
 */
final class Legibility
{
    public const LIGHT = '#FFFFFF';
    public const DARK = '#20242B';
    /** A little more than asked, since video coding moves colours by a step or two. */
    public const WANTED = 5.0;

    /**
     * @param float $darkest   relative luminance, 0 to 1
     * @param float $brightest relative luminance, 0 to 1
     *
     * @return array{string, float} the words' colour and the opacity of a plate of the other colour under them, 0 for none
     */
    public static function choose(float $darkest, float $brightest): array
    {
        if (Contrast::ratio(1.0, $brightest) >= self::WANTED) {
            return [self::LIGHT, 0.0];
        }
        if (Contrast::ratio(Contrast::luminance(self::DARK), $darkest) >= self::WANTED) {
            return [self::DARK, 0.0];
        }

        return [self::LIGHT, self::opacity($brightest)];
    }

    /**
     * The least opacity, in steps of 0.05, at which white words on a dark plate stand clear of a ground of that luminance.
     * Opacity mixes sRGB components; among all colours of one luminance grey is the worst case, since the mixture's
     * luminance is a concave function of the ground's.
     */
    private static function opacity(float $brightest): float
    {
        $dark = Contrast::component(Contrast::luminance(self::DARK));
        $ground = Contrast::component($brightest);
        for ($opacity = 0.4; $opacity < 1; $opacity += 0.05) {
            $mixed = Contrast::linear($dark * $opacity + $ground * (1 - $opacity));
            if (Contrast::ratio(1.0, $mixed) >= self::WANTED) {
                return round($opacity, 2);
            }
        }

        return 1.0;
    }
}
