<?php

declare(strict_types=1);

namespace Rhapsode\App\Picture;

use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Plan\Image;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Picture\PreparedPicture;
use Rhapsode\Studio\Picture\WholePicture;

/** The files of prepared pictures, by the picture's id. */
final readonly class PictureFiles
{
    /** A picture shown whole on its ground, small. */
    public const WHOLE_THUMB = 'whole-thumb';

    public function __construct(private Store $store) {}

    /** Where a picture is prepared; share() it when that is done. */
    public function folder(string $id): string
    {
        return \dirname($this->store->path("pictures/{$id}/" . PreparedPicture::FULL));
    }

    public function light(string $id): ?LightMap
    {
        $key = "pictures/{$id}/" . PreparedPicture::LIGHT;

        return $this->store->has($key) ? new LightMap((string) file_get_contents($this->store->near($key))) : null;
    }

    public function share(string $id): void
    {
        foreach ([PreparedPicture::MASTER, PreparedPicture::FULL, PreparedPicture::LIGHT, PreparedPicture::THUMB] as $file) {
            $this->store->share("pictures/{$id}/{$file}");
        }
    }

    /** @return string the key of a rendition, made if need be */
    public function key(string $id, string $rendition, Shape $shape): string
    {
        if (Image::WHOLE !== $rendition && self::WHOLE_THUMB !== $rendition) {
            return "pictures/{$id}/" . ('thumb' === $rendition ? PreparedPicture::THUMB : PreparedPicture::FULL);
        }
        [$name, $from, $shorter] = Image::WHOLE === $rendition ? ['whole', PreparedPicture::FULL, WholePicture::SHORTER] : ['whole-thumb', PreparedPicture::THUMB, WholePicture::SHORTER_THUMB];
        $key = "pictures/{$id}/{$name}-" . str_replace(':', 'x', $shape->value) . '.jpg';
        $this->store->once($key, fn(string $new) => WholePicture::make($this->store->near("pictures/{$id}/{$from}"), $new, $shape, $shorter));

        return $key;
    }

    public function path(string $id, string $rendition, Shape $shape): string
    {
        return $this->store->near($this->key($id, $rendition, $shape));
    }
}
