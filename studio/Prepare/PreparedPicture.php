<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Picture\Recipe;

/** A picture made ready in a folder: upright, in sRGB, without metadata. Sizes are pixels of the upright picture. */
final readonly class PreparedPicture
{
    public const MASTER = 'master.jpg';
    public const FULL = 'full.jpg';
    public const THUMB = 'thumb.jpg';
    public const LIGHT = 'light.bin';
    public const LEVELS = 'levels.json';
    /** Of one that is transparent in parts: small, with those. */
    public const CUTOUT = 'cutout.png';
    /** What every picture has. */
    public const ALL = [self::MASTER, self::FULL, self::LIGHT, self::THUMB];

    /**
     * @param string $original the file that holds the original without its metadata
     * @param Source $source      what its metadata said of whose it is
     * @param string $description what its metadata said that it shows
     */
    public function __construct(
        public int $width,
        public int $height,
        public string $original = '',
        public Source $source = new Source(),
        public string $description = '',
        public bool $transparent = false,
    ) {}

    /** @return list<string> the files of one that is transparent, or not */
    public static function files(bool $transparent): array
    {
        return [...self::ALL, ...$transparent ? [self::CUTOUT] : []];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'width' => $this->width, 'height' => $this->height, 'original' => $this->original,
            'source' => $this->source->toArray(), 'description' => $this->description,
            'transparent' => $this->transparent,
        ];
    }

    /** What one of these is called when a recipe was followed. */
    public static function following(string $file, Recipe $recipe): string
    {
        return $recipe->isPlain() ? $file : str_replace('.', "-{$recipe->key()}.", $file);
    }
}
