<?php

declare(strict_types=1);

namespace Rhapsode\App\Picture;

use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\WholePicture;
use Rhapsode\Studio\Tool\Scratch;

/** The files of prepared pictures, by the picture's id. */
final readonly class PictureFiles
{
    public function __construct(private Store $store) {}

    /** Where a picture is prepared; share() it when that is done. */
    public function folder(string $id): string
    {
        return \dirname($this->store->path("pictures/{$id}/" . PreparedPicture::FULL));
    }

    public function light(string $id, Recipe $recipe): ?LightMap
    {
        $key = $this->followed($id, $recipe, PreparedPicture::LIGHT);

        return $this->store->has($key) ? new LightMap((string) file_get_contents($this->store->near($key))) : null;
    }

    public function share(string $id): void
    {
        foreach ([PreparedPicture::MASTER, PreparedPicture::FULL, PreparedPicture::LIGHT, PreparedPicture::THUMB] as $file) {
            $this->store->share("pictures/{$id}/{$file}");
        }
    }

    /**
     * @param string $name a form or its small copy, and the key of a recipe: full, whole-thumb, thumb-t90
     *
     * @return string the key of a rendition, made if need be
     */
    public function key(string $id, string $name, Shape $shape): string
    {
        preg_match('/^(whole-)?(thumb|full|whole)(?:-(t\d+))?$/D', $name, $part);
        $recipe = Recipe::ofKey($part[3] ?? '');
        $small = 'thumb' === ($part[2] ?? '');
        $full = $this->followed($id, $recipe, $small ? PreparedPicture::THUMB : PreparedPicture::FULL);
        if ('' === ($part[1] ?? '') && 'whole' !== ($part[2] ?? '')) {
            return $full;
        }
        $key = "pictures/{$id}/{$name}-" . str_replace(':', 'x', $shape->value) . '.jpg';
        $this->store->once($key, fn(string $new) => WholePicture::make($this->store->near($full), $new, $shape, $small ? WholePicture::SHORTER_THUMB : WholePicture::SHORTER));

        return $key;
    }

    /** @return string the key of a file of a prepared picture when a recipe was followed */
    private function followed(string $id, Recipe $recipe, string $file): string
    {
        $key = "pictures/{$id}/" . PreparedPicture::following($file, $recipe);
        if (!$recipe->isPlain() && !$this->store->has($key)) {
            $scratch = new Scratch();
            (new PicturePreparer())->follow($recipe, $this->store->near("pictures/{$id}/" . PreparedPicture::MASTER), $scratch->folder);
            foreach ([PreparedPicture::FULL, PreparedPicture::LIGHT, PreparedPicture::THUMB] as $made) {
                $made = PreparedPicture::following($made, $recipe);
                $this->store->once("pictures/{$id}/{$made}", static fn(string $new): bool => copy($scratch->path($made), $new));
            }
        }

        return $key;
    }
}
