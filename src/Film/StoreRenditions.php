<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\Drawings;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Studio\Render\Renditions;
use Rhapsode\Studio\Tool\ToolFailed;

/** What films are made of, from the store: the very files that the preview shows. */
final readonly class StoreRenditions implements Renditions
{
    public function __construct(private Store $store, private AssetFiles $files) {}

    public function content(string $asset): string
    {
        return $asset;
    }

    public function picture(Rendition $rendition, Shape $shape): string
    {
        return $this->store->near($this->files->rendition($rendition, $shape) ?? throw ToolFailed::notRead($rendition->name()));
    }

    public function file(string $asset, string $name): string
    {
        return $this->store->near(AssetFiles::picture($asset, $name));
    }

    public function clip(string $asset): string
    {
        return $this->store->near(AssetFiles::clip($asset));
    }

    public function levels(string $asset): ?Levels
    {
        return $this->files->levels($asset);
    }

    public function sound(Play $play): string
    {
        return $this->store->near(match (true) {
            Bus::Voice !== $play->bus => AssetFiles::music($play->asset),
            default => AssetFiles::voice($play->asset, $play->untouched ? AssetFiles::UNTOUCHED : AssetFiles::VOICE),
        });
    }

    public function drawing(string $name, \Closure $draw): string
    {
        return $this->store->once(Drawings::drawn($name), $draw);
    }
}
