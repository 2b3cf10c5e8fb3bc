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
    public function __construct(private Store $store) {}

    public function folder(string $id): string
    {
        return \dirname($this->store->path("pictures/{$id}/" . PreparedPicture::FULL));
    }

    public function light(string $id): ?LightMap
    {
        $cells = @file_get_contents($this->folder($id) . '/' . PreparedPicture::LIGHT);

        return \is_string($cells) ? new LightMap($cells) : null;
    }

    /** @return string the key of a rendition, made if need be */
    public function key(string $id, string $rendition, Shape $shape): string
    {
        if (Image::WHOLE !== $rendition) {
            return "pictures/{$id}/" . ('thumb' === $rendition ? PreparedPicture::THUMB : PreparedPicture::FULL);
        }
        $key = "pictures/{$id}/whole-" . str_replace(':', 'x', $shape->value) . '.jpg';
        $this->store->once($key, fn(string $new) => WholePicture::make($this->folder($id) . '/' . PreparedPicture::FULL, $new, $shape));

        return $key;
    }

    public function path(string $id, string $rendition, Shape $shape): string
    {
        return $this->store->path($this->key($id, $rendition, $shape));
    }
}
