<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\LightUnder;

/** The light of a picture over which a drift passes: now and then, here and there, that lies between it and words. */
final readonly class Veiled implements LightUnder
{
    public function __construct(private LightUnder $picture, private Drift $drift) {}

    public function under(Frame $part): array
    {
        [$dark, $bright] = $this->picture->under($part);
        $cover = $this->drift->cover();
        $veil = Contrast::component(Contrast::luminance($this->drift->kind->colour()));
        $mixed = static fn(float $light): float => Contrast::linear($veil * $cover + Contrast::component($light) * (1 - $cover));

        return [min($dark, $mixed($dark)), max($bright, $mixed($bright), $mixed($dark))];
    }

    /**
     * The luminance of a colour through which so much of another is seen.
     *
     * @param string $under #rrggbb
     * @param string $over  #rrggbb
     */
    public static function mixed(string $under, string $over, float $cover): float
    {
        $part = static fn(int $at): string => \sprintf('%02x', (int) round(
            hexdec(substr($under, $at, 2)) * (1 - $cover) + hexdec(substr($over, $at, 2)) * $cover,
        ));

        return Contrast::luminance('#' . $part(1) . $part(3) . $part(5));
    }
}
