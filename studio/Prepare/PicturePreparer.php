<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * Makes a picture ready, whatever it came as: recognised by content, turned upright by its Exif orientation, its
 * colours brought to sRGB, everything but the pixels left out.
 */
final class PicturePreparer
{
    public const MOST_BYTES = Limits::PICTURE_BYTES;
    public const MOST_PIXELS = 100_000_000;
    /** Pixels from which on a picture is not needed whole. */
    private const LARGE = 24_000_000;
    private const MASTER_SIDE = 4096;
    private const FULL_SIDE = 2560;
    private const THUMB_SIDE = 480;
    /** As large as an icon is in a film of 1080. */
    private const CUTOUT_SIDE = 900;
    /** Pixels of a side in which transparent parts are looked for, and the least opacity that is none. */
    private const LOOKED_AT = 64;
    private const COVERS = 250;
    /** As fine as the cells of a light map are looked at. */
    private const LIGHT_SIDE = 1280;

    /** @throws Unreadable */
    public function prepare(string $path, string $folder, bool $keepsOriginal = false): PreparedPicture
    {
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw new Unreadable('picture.too-large', ['most' => intdiv(self::MOST_BYTES, 1_000_000)]);
        }
        $head = (string) file_get_contents($path, length: 64);
        if ('' === $head) {
            throw new Unreadable('file.empty');
        }
        $kind = PictureKind::of($head) ?? throw new Unreadable('picture.unknown-kind');
        self::limit();
        // ImageMagick reads patterns and page numbers into names: it is given one that holds neither.
        $scratch = new Scratch();
        $plain = $scratch->path('picture');
        symlink((string) realpath($path), $plain);
        try {
            $decoded = self::decode($plain, $kind);
            $original = $keepsOriginal ? $this->original($plain, $kind, $decoded->orientation, $folder) : '';
        } catch (\ImagickException $problem) {
            throw new Unreadable('picture.broken', previous: $problem);
        }
        // Each smaller copy is made from the one before: the same look for a fraction of the work.
        self::write($decoded->image, $folder . '/' . PreparedPicture::MASTER, self::MASTER_SIDE, 92);
        self::renditions($decoded->image, $folder);
        $decoded->cutout?->writeImage('png:' . $folder . '/' . PreparedPicture::CUTOUT);

        return new PreparedPicture(
            $decoded->size->width,
            $decoded->size->height,
            $original,
            Metadata::source($plain),
            Metadata::description($plain),
            null !== $decoded->cutout,
        );
    }

    /**
     * Keeps the original without its metadata: cleaned where its kind can be, else written anew without loss.
     *
     * @return string the name of its file
     *
     * @throws \ImagickException|Unreadable
     */
    private function original(string $path, PictureKind $kind, int $orientation, string $folder): string
    {
        $cleaned = Original::cleaned((string) file_get_contents($path), $kind, $orientation);
        $name = 'original.' . (null === $cleaned ? 'png' : $kind->value);
        if (null === $cleaned) {
            $image = new \Imagick($kind->value . ':' . $path . '[0]');
            $profiles = $image->getImageProfiles('icc', true);
            $image->stripImage();
            if (isset($profiles['icc']) && \is_string($profiles['icc'])) {
                $image->profileImage('icc', $profiles['icc']);
            }
            $image->setImageFormat('png');
            $image->setOption('png:compression-level', '3');
            $cleaned = $image->getImageBlob();
            $image->clear();
        }
        file_put_contents("{$folder}/{$name}", $cleaned);

        return $name;
    }

    /**
     * Writes one of the files of a prepared picture as it is when a recipe was followed, beside the others.
     *
     * @param string      $file   which: PreparedPicture::FULL, THUMB or LIGHT
     * @param string      $master the prepared picture's largest copy
     * @param Levels|null $levels of the picture, where it is to be made clear
     *
     * @throws ToolFailed
     */
    public function follow(string $file, Recipe $recipe, string $master, string $folder, ?Levels $levels = null): void
    {
        $to = $folder . '/' . PreparedPicture::following($file, $recipe);
        if (PreparedPicture::LIGHT !== $file) {
            [$side, $quality] = PreparedPicture::THUMB === $file ? [self::THUMB_SIDE, 82] : [self::FULL_SIDE, 90];
            Mending::follow($recipe, $master, $side, $levels)->writeJpeg($to, $quality);

            return;
        }
        self::limit();
        $scratch = new Scratch();
        $mended = $scratch->path('mended.jpg');
        Mending::follow($recipe, $master, self::LIGHT_SIDE, $levels)->writeJpeg($mended, 95);
        try {
            $image = new \Imagick($mended);
            file_put_contents($to, self::light($image));
            $image->clear();
        } catch (\ImagickException $problem) {
            throw ToolFailed::notRead($master, $problem);
        }
    }

    /** @throws \ImagickException */
    private static function renditions(\Imagick $image, string $folder): void
    {
        self::write($image, $folder . '/' . PreparedPicture::FULL, self::FULL_SIDE, 90);
        file_put_contents($folder . '/' . PreparedPicture::LIGHT, self::light($image));
        self::write($image, $folder . '/' . PreparedPicture::THUMB, self::THUMB_SIDE, 82);
        $image->clear();
    }

    /**
     * @throws \ImagickException|Unreadable
     */
    private static function decode(string $path, PictureKind $kind): Decoded
    {
        $name = $kind->value . ':' . $path . '[0]';
        $look = new \Imagick();
        $look->pingImage($name);
        [$wide, $high] = [$look->getImageWidth(), $look->getImageHeight()];
        $look->clear();
        if ($wide * $high > self::MOST_PIXELS) {
            throw new Unreadable(
                'picture.too-many-pixels',
                ['megapixels' => (int) round($wide * $high / 1e6), 'most' => (int) (self::MOST_PIXELS / 1e6)],
            );
        }
        $half = PictureKind::Jpeg === $kind && $wide * $high > self::LARGE;
        $image = new \Imagick();
        if ($half) {
            // A JPEG can be read at half its size at once, which is still as much as is needed, for a quarter of the memory.
            $image->setOption('jpeg:size', \sprintf('%dx%d', intdiv($wide, 2), intdiv($high, 2)));
        }
        $image->readImage($name);
        $image->setFirstIterator();
        $orientation = $image->getImageOrientation();
        $isTurned = $orientation >= \Imagick::ORIENTATION_LEFTTOP;
        // libheif has turned the picture already; its Exif orientation is then only a trace.
        if (PictureKind::Heic === $kind || PictureKind::Avif === $kind) {
            $image->setImageOrientation(\Imagick::ORIENTATION_TOPLEFT);
        }
        $image->autoOrient();
        self::toSrgb($image);
        $image->stripImage();
        $image->setImageBackgroundColor('white');
        $cutout = null;
        if ($image->getImageAlphaChannel()) {
            $cutout = self::cutout($image);
            $image = $image->mergeImageLayers(\Imagick::LAYERMETHOD_FLATTEN);
        }
        $image->setImagePage(0, 0, 0, 0);
        $image->setImageDepth(8);

        return new Decoded($image, match (true) {
            !$half => new PreparedPicture($image->getImageWidth(), $image->getImageHeight()),
            $isTurned => new PreparedPicture($high, $wide),
            default => new PreparedPicture($wide, $high),
        }, max(1, $orientation), $cutout);
    }

    /**
     * @return \Imagick|null null where all of it covers what is behind it
     *
     * @throws \ImagickException
     */
    private static function cutout(\Imagick $image): ?\Imagick
    {
        $cutout = clone $image;
        $cutout->setImagePage(0, 0, 0, 0);
        $cutout->thumbnailImage(self::CUTOUT_SIDE, self::CUTOUT_SIDE, true);
        $cutout->setImageDepth(8);
        $look = clone $cutout;
        $look->scaleImage(self::LOOKED_AT, self::LOOKED_AT);
        $alphas = $look->exportImagePixels(0, 0, self::LOOKED_AT, self::LOOKED_AT, 'A', \Imagick::PIXEL_CHAR);
        $look->clear();

        return min([255, ...$alphas]) < self::COVERS ? $cutout : null;
    }

    /** @throws \ImagickException */
    private static function toSrgb(\Imagick $image): void
    {
        $isCmyk = \Imagick::COLORSPACE_CMYK === $image->getImageColorspace();
        $profiles = $image->getImageProfiles('icc', true);
        $srgb = @file_get_contents(__DIR__ . '/srgb.icc');
        if (isset($profiles['icc']) && \is_string($srgb)) {
            try {
                $image->profileImage('icc', $srgb);
            } catch (\ImagickException) {
                // A damaged profile is as good as none.
                $image->profileImage('icc', null);
            }
        }
        if ($isCmyk || \Imagick::COLORSPACE_SRGB !== $image->getImageColorspace()) {
            $image->transformImageColorspace(\Imagick::COLORSPACE_SRGB);
        }
        $image->setImageType($image->getImageAlphaChannel() ? \Imagick::IMGTYPE_TRUECOLORMATTE : \Imagick::IMGTYPE_TRUECOLOR);
    }

    /** @throws \ImagickException */
    private static function write(\Imagick $image, string $path, int $side, int $quality): void
    {
        if (max($image->getImageWidth(), $image->getImageHeight()) > $side) {
            $image->resizeImage($side, $side, \Imagick::FILTER_LANCZOS, 1, true);
        }
        $copy = clone $image;
        $copy->setImageFormat('jpeg');
        $copy->setImageCompressionQuality($quality);
        $copy->setSamplingFactors(['2x2', '1x1', '1x1']);
        $copy->setInterlaceScheme(\Imagick::INTERLACE_NO);
        $copy->stripImage();
        file_put_contents($path, $copy->getImageBlob());
        $copy->clear();
    }

    /**
     * The cells of a LightMap. Each cell's extremes are taken over pixels of a copy about 960 wide: about as fine as a
     * stroke of the words that will lie on it.
     *
     * @throws \ImagickException
     */
    private static function light(\Imagick $image): string
    {
        $fine = 20;
        $width = LightMap::COLUMNS * $fine;
        $height = LightMap::ROWS * $fine;
        $grey = clone $image;
        $grey->resizeImage($width, $height, \Imagick::FILTER_BOX, 1);
        // Linear light, weighed by Rec. 709, then coded again as sRGB grey.
        $grey->transformImageColorspace(\Imagick::COLORSPACE_RGB);
        $grey->transformImageColorspace(\Imagick::COLORSPACE_LINEARGRAY);
        $grey->transformImageColorspace(\Imagick::COLORSPACE_SRGB);
        $pixels = $grey->exportImagePixels(0, 0, $width, $height, 'R', \Imagick::PIXEL_CHAR);
        $cells = '';
        for ($row = 0; $row < LightMap::ROWS; ++$row) {
            for ($column = 0; $column < LightMap::COLUMNS; ++$column) {
                $cell = [];
                for ($y = $row * $fine; $y < ($row + 1) * $fine; ++$y) {
                    array_push($cell, ...\array_slice($pixels, $y * $width + $column * $fine, $fine));
                }
                $cells .= \chr(min([255, ...$cell])) . \chr(max([0, ...$cell]));
            }
        }
        $grey->clear();

        return $cells;
    }

    private static function limit(): void
    {
        // What does not fit goes to the disk: slower, but no process takes what the others need.
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MEMORY, 260_000_000);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MAP, 0);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_AREA, self::MOST_PIXELS);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_DISK, 2_000_000_000);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_THREAD, 1);
    }
}
