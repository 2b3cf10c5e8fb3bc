<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Picture\PictureFiles;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Plan\Image;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Words\Sheet;
use Rhapsode\Studio\Film\Makings;
use Rhapsode\Studio\Sound\MeasuredMusic;
use Rhapsode\Studio\Words\WordsPainter;

/** What films are made of, from the store: the very files that the preview shows. */
final readonly class StoreMakings implements Makings
{
    public function __construct(private Store $store, private PictureFiles $pictures) {}

    public function image(Image $image, Shape $shape): string
    {
        return $this->pictures->path((string) $image->picture, $image->rendition, $shape);
    }

    public function take(string $id): string
    {
        return $this->store->near("takes/{$id}/take.flac");
    }

    public function music(string $id): string
    {
        return $this->store->near("music/{$id}/" . MeasuredMusic::FULL);
    }

    public function words(Sheet $sheet, int $height): string
    {
        return $this->store->once(self::wordsKey($sheet, $height), static fn(string $new) => (new WordsPainter())->paint($sheet, $new, $height));
    }

    public static function wordsKey(Sheet $sheet, int $height): string
    {
        return 'words/' . substr($sheet->hash(), 0, 2) . "/{$sheet->hash()}-{$height}.png";
    }
}
