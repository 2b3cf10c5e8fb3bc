<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;

/** What a layer of a slide can be. Each has a folder here, a painter in studio/Render and a performer in web/stage. */
enum LayerKind: string
{
    case Picture = 'picture';
    case Words = 'words';
    case Icon = 'icon';

    /** @return class-string<Layer> */
    private function type(): string
    {
        return match ($this) {
            self::Picture => PictureLayer::class,
            self::Words => WordsLayer::class,
            self::Icon => IconLayer::class,
        };
    }

    /** @return array<string, mixed> how a new one is where it is not told */
    public function fresh(): array
    {
        return $this->type()::fresh();
    }

    /** @throws Malformed */
    public function read(string $id, Fields $in): Layer
    {
        return $this->type()::read($id, $in);
    }

    /** @throws Malformed */
    public static function any(Fields $in): Layer
    {
        return $in->choice('kind', self::class)->read($in->id('id'), $in);
    }
}
