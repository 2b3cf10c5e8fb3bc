<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/**
 * Chooses the colour of words, and what they stand on where the picture needs it, so that the contrast against what
 * really lies under them is at least 4.5:1 everywhere and at every moment (WCAG 2.2, 1.4.3).
 */
final class Legibility
{
    public const LIGHT = '#FFFFFF';
    public const DARK = '#20242B';
    private const BLACK = '#000000';
    /** A little more than asked, since video coding moves colours by a step or two. */
    public const WANTED = Contrast::LEAST + 0.5;
    /** A plate is hardly seen below the first, and one that was asked for is to be seen. */
    private const LEAST_PLATE = 0.4;
    private const PLATE = 0.6;
    /** One that is bright would else lie over the picture like fog. */
    private const BRIGHT_PLATE = 0.88;

    /**
     * As it is asked for; where that could not be read, with an edge or a plate in addition.
     *
     * @param float       $darkest   relative luminance of what lies under, 0 to 1
     * @param float       $brightest relative luminance, 0 to 1
     * @param string|null $plate     a colour to stand on, where it is clear of them
     */
    public static function standing(WordsLook $look, float $darkest, float $brightest, ?string $plate = null): Standing
    {
        $isClear = static fn(string $ink): bool => self::clear(Contrast::luminance($ink), $darkest, $brightest);
        $ink = $look->colour ?? (!$isClear(self::LIGHT) && $isClear(self::DARK) ? self::DARK : self::LIGHT);
        $other = null !== $plate && self::isApart($ink, $plate) ? $plate : self::against($ink);
        $need = $isClear($ink) ? null : $other;
        $onPlate = static fn(float $least): Standing => new Standing($ink, $other, self::opacity(
            $ink,
            $other,
            $darkest,
            $brightest,
            Contrast::luminance($other) > 0.4 ? self::BRIGHT_PLATE : $least,
        ));

        return match ($look->backing) {
            Backing::Auto => null === $need ? new Standing($ink) : $onPlate(self::LEAST_PLATE),
            Backing::Plate => $onPlate(self::PLATE),
            Backing::Outline => new Standing($ink, edge: $other),
            Backing::Shadow => new Standing($ink, edge: $need, shadow: $other),
            Backing::None => new Standing($ink, edge: $need),
        };
    }

    private static function isApart(string $one, string $other): bool
    {
        return Contrast::ratio(Contrast::luminance($one), Contrast::luminance($other)) >= self::WANTED;
    }

    private static function clear(float $ink, float $darkest, float $brightest): bool
    {
        return ($ink > $brightest || $ink < $darkest)
            && min(Contrast::ratio($ink, $darkest), Contrast::ratio($ink, $brightest)) >= self::WANTED;
    }

    /** What stands clear of a colour: ours where it does, else black or white, one of which is always at 4.58:1 at least. */
    public static function against(string $ink): string
    {
        $ratio = static fn(string $colour): float => Contrast::ratio(Contrast::luminance($ink), Contrast::luminance($colour));
        $best = self::DARK;
        foreach ([self::LIGHT, self::BLACK] as $colour) {
            $best = $ratio($best) < self::WANTED && $ratio($colour) > $ratio($best) ? $colour : $best;
        }

        return $best;
    }

    /**
     * The least opacity, in steps of 0.05, at which words on a plate stand clear of what shows through it. Opacity mixes sRGB
     * components; among all colours of one luminance grey is the worst case, since the mixture's luminance is a concave function of
     * the ground's.
     */
    private static function opacity(string $ink, string $plate, float $darkest, float $brightest, float $least): float
    {
        [$letter, $under] = [Contrast::luminance($ink), Contrast::component(Contrast::luminance($plate))];
        // Through a plate darker than the letters the brightest shows worst, through a brighter one the darkest.
        $ground = Contrast::component(Contrast::luminance($plate) < $letter ? $brightest : $darkest);
        $wanted = min(self::WANTED, Contrast::ratio($letter, Contrast::luminance($plate)));
        for ($opacity = $least; $opacity < 1; $opacity += 0.05) {
            $mixed = Contrast::linear($under * $opacity + $ground * (1 - $opacity));
            if (Contrast::ratio($letter, $mixed) >= $wanted - 1e-9 && ($mixed < $letter) === (Contrast::luminance($plate) < $letter)) {
                return round($opacity, 2);
            }
        }

        return 1.0;
    }
}
