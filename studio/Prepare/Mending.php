<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\RedEye;
use Rhapsode\Studio\Tool\ToolFailed;

/** Follows a recipe on a prepared picture. */
final class Mending
{
    /**
     * @param string      $master the prepared picture's largest copy
     * @param int         $side   pixels that the longer side of the result has at most
     * @param Levels|null $levels of the picture, where it is to be made clear
     *
     * @throws ToolFailed
     */
    public static function follow(Recipe $recipe, string $master, int $side, ?Levels $levels = null): VipsImage
    {
        [$width, $height] = @getimagesize($master) ?: throw ToolFailed::notRead($master);
        $crop = $recipe->crop ?? Frame::all();
        [$turnedWidth, $turnedHeight] = 0 === $recipe->turn % 180 ? [$width, $height] : [$height, $width];
        $inside = $recipe->inside($turnedWidth / $turnedHeight);
        $longer = max($turnedWidth * $inside * $crop->width, $turnedHeight * $inside * $crop->height);
        $scale = min(1.0, $side / $longer);
        $shrink = 1;
        while ($shrink < 8 && $scale * 2 * $shrink <= 1) {
            $shrink *= 2;
        }
        // Brought to its size first: all that follows costs so much less.
        $image = self::withoutRedEyes(VipsImage::ofJpeg($master, $shrink), $recipe->eyes)->turned($recipe->turn);
        $image = $image->resized(min(1.0, $scale * $turnedWidth / $image->width()));
        [$innerWidth, $innerHeight] = [$image->width() * $inside, $image->height() * $inside];
        $image = $image->straightened($recipe->straighten);
        $left = ($image->width() - $innerWidth) / 2 + $crop->x * $innerWidth;
        $top = ($image->height() - $innerHeight) / 2 + $crop->y * $innerHeight;
        $outWidth = max(1, min($side, (int) round($crop->width * $innerWidth)));
        $outHeight = max(1, min($side, (int) round($crop->height * $innerHeight)));

        return $image->cropped(
            max(0, min($image->width() - $outWidth, (int) round($left))),
            max(0, min($image->height() - $outHeight, (int) round($top))),
            $outWidth,
            $outHeight,
        )->coloured(ColourTables::of($recipe->tone, $levels));
    }

    /**
     * @param list<Frame> $eyes
     *
     * @throws ToolFailed
     */
    private static function withoutRedEyes(VipsImage $image, array $eyes): VipsImage
    {
        $image = [] === $eyes ? $image : $image->kept();
        foreach ($eyes as $eye) {
            $left = min($image->width() - 1, (int) floor($eye->x * $image->width()));
            $top = min($image->height() - 1, (int) floor($eye->y * $image->height()));
            $width = max(1, min($image->width() - $left, (int) round($eye->width * $image->width())));
            $height = max(1, min($image->height() - $top, (int) round($eye->height * $image->height())));
            $mended = RedEye::mended($image->cropped($left, $top, $width, $height)->pixels(), $width, $height);
            $image = $image->with(VipsImage::ofPixels($mended, $width, $height), $left, $top);
        }

        return $image;
    }
}
