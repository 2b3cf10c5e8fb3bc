<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** A picture seen through the colour that words were chosen for: as much of it as lets them be read. */
final class Wash
{
    /** The most of a picture that is seen, and in which steps there is less of it. */
    private const MOST = 0.8;
    private const STEP = 0.02;

    /**
     * @param list<string>          $inks   of words that stand on it with nothing between, #rrggbb
     * @param string                $ground #rrggbb
     * @param array{float, float}   $light  darkest and brightest luminance of the picture
     *
     * @return float 0 to 1
     */
    public static function share(array $inks, string $ground, array $light): float
    {
        for ($share = self::MOST; $share > self::STEP; $share -= self::STEP) {
            if (self::areRead($inks, $ground, self::light($ground, $light, $share))) {
                return round($share, 2);
            }
        }

        return 0.0;
    }

    /**
     * Darkest and brightest when so much is seen of it, whatever its colours are: components are mixed (each is a concave function of
     * the light that it had), so that of all pixels of one luminance the purest colour comes out darkest, and grey brightest.
     *
     * @param array{float, float} $light
     *
     * @return array{float, float}
     */
    public static function light(string $ground, array $light, float $share): array
    {
        $of = Contrast::component(Contrast::luminance($ground)) * (1 - $share);
        [$dark, $bright] = $light;

        return [
            (1 - $dark) * Contrast::linear($of) + $dark * Contrast::linear($share + $of),
            Contrast::linear(Contrast::component($bright) * $share + $of),
        ];
    }

    /**
     * @param list<string>        $inks
     * @param array{float, float} $light
     */
    private static function areRead(array $inks, string $ground, array $light): bool
    {
        foreach ($inks as $ink) {
            $own = Contrast::luminance($ink);
            $wanted = min(Legibility::WANTED, Contrast::ratio($own, Contrast::luminance($ground)));
            $isBetween = $own > $light[0] && $own < $light[1];
            if ($isBetween || min(Contrast::ratio($own, $light[0]), Contrast::ratio($own, $light[1])) < $wanted - 1e-9) {
                return false;
            }
        }

        return true;
    }
}
