<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Prepare\LevelsOf;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\WholePicture;
use Rhapsode\Studio\Tool\Scratch;

/** Where the files of assets lie in the store, each by its asset's id: originals, and renditions by recipe and size. */
final readonly class AssetFiles
{
    public const VOICE = 'take.flac';
    /** A voice with the noise that was lowered in it, where any was. */
    public const UNTOUCHED = 'untouched.flac';
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

    /** What moves, as the film takes its frames of it or as the page shows it (PreparedClip). */
    public static function clip(string $id, string $file = PreparedClip::FULL): string
    {
        return "clips/{$id}/{$file}";
    }

    /** @return list<string> the folders in which an asset's files may lie */
    public static function folders(string $id): array
    {
        return ["pictures/{$id}", "takes/{$id}", "music/{$id}", "clips/{$id}"];
    }

    /** The light of a picture when a recipe was followed; null where it is not known. */
    public function light(string $id, Recipe $recipe): ?LightMap
    {
        $key = $this->followed($id, $recipe, PreparedPicture::LIGHT);

        return null !== $key && $this->store->has($key) ? new LightMap((string) file_get_contents($this->store->near($key))) : null;
    }

    /** How dark and how light a picture is, measured if need be; null where there is no such picture. */
    public function levels(string $id): ?Levels
    {
        $thumb = self::picture($id, PreparedPicture::THUMB);
        if (!$this->store->has($thumb)) {
            return null;
        }
        $kept = $this->store->once(self::picture($id, PreparedPicture::LEVELS), fn(string $new) => file_put_contents(
            $new,
            json_encode(LevelsOf::picture($this->store->near($thumb))->toArray(), \JSON_THROW_ON_ERROR),
        ));

        return Levels::read(Fields::of(json_decode((string) file_get_contents($kept), true)));
    }

    /**
     * @param bool $small its small copy
     *
     * @return string|null the key of a rendition, made if need be; null where there is no such picture
     */
    public function rendition(Rendition $rendition, Shape $shape, bool $small = false): ?string
    {
        [$id, $recipe, $form] = [$rendition->asset, $rendition->recipe, $rendition->form];
        $full = $this->followed($id, $recipe, $small ? PreparedPicture::THUMB : PreparedPicture::FULL);
        if (null === $full || Form::Full === $form) {
            return $full;
        }
        $key = self::whole(
            $id,
            implode('-', array_filter(['whole', $small ? 'thumb' : '', $rendition->groundKey(), $recipe->key()])),
            $shape,
        );
        $this->store->once($key, fn(string $new) => WholePicture::make(
            $this->store->near($full),
            $new,
            $shape,
            $small ? WholePicture::SHORTER_THUMB : WholePicture::SHORTER,
            $rendition->ground,
        ));

        return $key;
    }

    /**
     * @param string $name as the page names a rendition: full-r…, whole-thumb-r…
     *
     * @return string|null the key of a rendition that was made once; null where it was not
     */
    public function known(string $id, string $name, Shape $shape): ?string
    {
        $key = str_starts_with($name, 'whole-') ? self::whole($id, $name, $shape) : self::picture($id, "{$name}.jpg");

        return $this->store->has($key) ? $key : null;
    }

    private static function whole(string $id, string $name, Shape $shape): string
    {
        return self::picture($id, "{$name}-" . str_replace(':', 'x', $shape->value) . '.jpg');
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
            (new PicturePreparer())->follow(
                $file,
                $recipe,
                $this->store->near($master),
                $scratch->folder,
                $recipe->tone->clear ? $this->levels($id) : null,
            );
            $this->keep($id, $scratch->folder, [$file], $recipe);
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
