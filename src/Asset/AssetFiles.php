<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\WholePicture;
use Rhapsode\Studio\Tool\Scratch;

/** Where the files of assets lie in the store, each by its asset's id: originals, and renditions by recipe and size. */
final readonly class AssetFiles
{
    public const VOICE = 'take.flac';
    /** A voice as it came, without its metadata. */
    public const ORIGINAL = 'original.mka';

    public function __construct(private Store $store) {}

    public static function picture(string $id, string $file): string
    {
        return "pictures/{$id}/{$file}";
    }

    /** A take as it is heard, in the page and in the film. */
    public static function voice(string $id, string $file = self::VOICE): string
    {
        return "takes/{$id}/{$file}";
    }

    /** Music as the film has it, or lighter, for the page. */
    public static function music(string $id, string $file = MeasuredMusic::FULL): string
    {
        return "music/{$id}/{$file}";
    }

    /** @return list<string> the folders in which an asset's files may lie */
    public static function folders(string $id): array
    {
        return ["pictures/{$id}", "takes/{$id}", "music/{$id}"];
    }

    /** The light of a picture when a recipe was followed; null where it is not known. */
    public function light(string $id, Recipe $recipe): ?LightMap
    {
        $key = $this->followed($id, $recipe, PreparedPicture::LIGHT);

        return null !== $key && $this->store->has($key) ? new LightMap((string) file_get_contents($this->store->near($key))) : null;
    }

    /**
     * @param string $name a form or its small copy, and the key of a recipe: full, whole-thumb, thumb-t90
     *
     * @return string|null the key of a rendition, made if need be; null where there is no such picture
     */
    public function rendition(string $id, string $name, Shape $shape): ?string
    {
        if (1 !== preg_match('/^(whole-)?(thumb|full|whole)(?:-(t\d+))?$/D', $name, $part)) {
            return null;
        }
        $small = 'thumb' === $part[2];
        $full = $this->followed($id, Recipe::ofKey($part[3] ?? ''), $small ? PreparedPicture::THUMB : PreparedPicture::FULL);
        if (null === $full || ('' === $part[1] && 'whole' !== $part[2])) {
            return $full;
        }
        $key = self::picture($id, "{$name}-" . str_replace(':', 'x', $shape->value) . '.jpg');
        $this->store->once($key, fn(string $new) => WholePicture::make($this->store->near($full), $new, $shape, $small ? WholePicture::SHORTER_THUMB : WholePicture::SHORTER));

        return $key;
    }

    /** @return string|null the key of a file of a prepared picture when a recipe was followed */
    private function followed(string $id, Recipe $recipe, string $file): ?string
    {
        $key = self::picture($id, PreparedPicture::following($file, $recipe));
        if (!$recipe->isPlain() && !$this->store->has($key)) {
            $master = self::picture($id, PreparedPicture::MASTER);
            if (!$this->store->has($master)) {
                return null;
            }
            $scratch = new Scratch();
            (new PicturePreparer())->follow($recipe, $this->store->near($master), $scratch->folder);
            $this->keep($id, $scratch->folder, [PreparedPicture::FULL, PreparedPicture::LIGHT, PreparedPicture::THUMB], $recipe);
        }

        return $key;
    }

    /**
     * Keeps files that were made in a folder.
     *
     * @param list<string> $files
     */
    public function keep(string $id, string $folder, array $files, Recipe $recipe = new Recipe()): void
    {
        foreach ($files as $file) {
            $made = PreparedPicture::following($file, $recipe);
            $this->store->once(self::picture($id, $made), static fn(string $new): bool => copy("{$folder}/{$made}", $new));
        }
    }
}
