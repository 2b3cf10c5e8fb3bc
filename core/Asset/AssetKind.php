<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

enum AssetKind: string
{
    case Picture = 'picture';
    case Voice = 'voice';
    case Music = 'music';

    /** @throws Malformed */
    public static function read(string $id, Fields $in): Asset
    {
        return match ($in->choice('kind', self::class)) {
            self::Picture => Picture::read($id, $in),
            self::Voice => Voice::read($id, $in),
            self::Music => Music::read($id, $in),
        };
    }
}
