<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Picture\PictureFiles;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Render\Renditions;

/** What films are made of, from the store: the very files that the preview shows. */
final readonly class StoreRenditions implements Renditions
{
    public function __construct(private Store $store, private PictureFiles $pictures) {}

    public function picture(Rendition $rendition, Shape $shape): string
    {
        return $this->store->near($this->pictures->key($rendition->asset, $rendition->name(), $shape));
    }

    public function sound(Play $play): string
    {
        return $this->store->near(Bus::Voice === $play->bus ? "takes/{$play->asset}/take.flac" : "music/{$play->asset}/" . MeasuredMusic::FULL);
    }

    public function drawing(string $name, \Closure $draw): string
    {
        return $this->store->once(self::drawingKey($name), $draw);
    }

    public static function drawingKey(string $name): string
    {
        return 'words/' . substr($name, 0, 2) . "/{$name}.png";
    }
}
