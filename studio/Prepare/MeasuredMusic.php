<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Source;

/** Music made ready: a FLAC file of two channels at 48 kHz, a lighter one for listening in the page, and what was measured, as in Music. */
final readonly class MeasuredMusic
{
    public const FULL = 'music.flac';
    public const LIGHT = 'music.ogg';

    public function __construct(public int $samples, public ?float $loudness, public ?float $loudest, public float $peak) {}

    public function music(string $id, string $file, Source $source = new Source()): Music
    {
        return new Music($id, $file, $this->samples, $this->loudness, $this->loudest, $this->peak, $source);
    }
}
