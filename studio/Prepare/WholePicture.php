<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Geometry\Shape;

/** A picture shown whole, on a colour or on a ground made from itself: enlarged to fill, blurred and darkened. */
final class WholePicture
{
    public const SHORTER = 1080;
    public const SHORTER_THUMB = 270;

    /**
     * @param string $full    a prepared picture
     * @param int         $shorter pixels of the shorter side
     * @param string|null $colour  #rrggbb of the ground; null for itself
     */
    public static function make(string $full, string $to, Shape $shape, int $shorter = self::SHORTER, ?string $colour = null): void
    {
        $height = $shape->height($shorter);
        $width = $shape->width($height);
        $picture = new \Imagick();
        $picture->readImageBlob((string) file_get_contents($full));
        $ground = null === $colour ? self::blurred($picture, $width, $height, $shorter) : self::plain($colour, $width, $height);
        $picture->resizeImage($width, $height, \Imagick::FILTER_LANCZOS, 1, true);
        $ground->compositeImage(
            $picture,
            \Imagick::COMPOSITE_OVER,
            intdiv($width - $picture->getImageWidth(), 2),
            intdiv($height - $picture->getImageHeight(), 2),
        );
        $ground->setImageFormat('jpeg');
        $ground->setImageCompressionQuality(90);
        $ground->setSamplingFactors(['2x2', '1x1', '1x1']);
        $ground->stripImage();
        file_put_contents($to, $ground->getImageBlob());
        $ground->clear();
        $picture->clear();
    }

    private static function blurred(\Imagick $picture, int $width, int $height, int $shorter): \Imagick
    {
        $ground = clone $picture;
        // Blurred at a small size, always the same: the same look for a hundredth of the work.
        $small = self::SHORTER / $shorter / 20;
        $ground->cropThumbnailImage((int) ceil($width * $small), (int) ceil($height * $small));
        $ground->blurImage(0, 2.2);
        $ground->resizeImage($width, $height, \Imagick::FILTER_CUBIC, 1);
        $ground->evaluateImage(\Imagick::EVALUATE_MULTIPLY, 0.5);

        return $ground;
    }

    private static function plain(string $colour, int $width, int $height): \Imagick
    {
        $ground = new \Imagick();
        $ground->newImage($width, $height, $colour);

        return $ground;
    }
}
