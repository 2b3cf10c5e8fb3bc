<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Prepare\ClipProbe;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\SoundReader;

/** What can come in, and what for. Captions become part of the document; all else stays an asset. */
enum Arriving: string
{
    case Picture = 'picture';
    case Clip = 'clip';
    case Voice = 'voice';
    case Music = 'music';
    case Captions = 'captions';

    /** Bytes that one may have: as many as can be made ready. */
    public function mostBytes(): int
    {
        return match ($this) {
            self::Picture => PicturePreparer::MOST_BYTES,
            self::Clip => ClipProbe::MOST_BYTES,
            self::Voice, self::Music => SoundReader::MOST_BYTES,
            self::Captions => CaptionFile::MOST_BYTES,
        };
    }

    /** Whether to make it ready takes minutes: nothing else waits for it. */
    public function isLong(): bool
    {
        return self::Clip === $this;
    }

    public function tooLarge(): Message
    {
        return new Message('file.too-large', ['most' => intdiv($this->mostBytes(), 1_000_000)]);
    }
}
