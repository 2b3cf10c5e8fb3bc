<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

/** A picture as it was read: upright, in sRGB, on white where it is transparent. */
final readonly class Decoded
{
    /**
     * @param \Imagick        $image       at its own size or at half of it
     * @param PreparedPicture $size        its own
     * @param int             $orientation how it was turned, as Exif tells it, 1 to 8
     * @param \Imagick|null   $cutout      a small copy in which its transparent parts are; null where it has none
     */
    public function __construct(public \Imagick $image, public PreparedPicture $size, public int $orientation, public ?\Imagick $cutout) {}
}
