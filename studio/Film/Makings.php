<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\Image;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Words\Sheet;

/** Where what a film is made of lies on this machine. Each answers with the path of a file that is there. */
interface Makings
{
    /** A prepared picture: JPEG, upright, sRGB; full, or whole on its ground in the film's shape. */
    public function image(Image $image, Shape $shape): string;

    /** A take: FLAC, one channel, 48 kHz. */
    public function take(string $id): string;

    /** Music for a bed: FLAC, two channels, 48 kHz. */
    public function music(string $id): string;

    /** Drawn words: PNG with transparency, as high as the film. */
    public function words(Sheet $sheet, int $height): string;
}
