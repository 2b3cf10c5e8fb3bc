<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Voice;

/**
 * A recording made ready: a FLAC file of one channel at 48 kHz, and what was measured of it.
 *
 * $peaks is the waveform as it is drawn, one peak (0 to 1) for each tenth of a second; $cleaned by how many decibels a
 * steady noise was lowered, 0 for not at all; the rest as in Voice.
 */
final readonly class MeasuredSound
{
    /**
     * @param list<array{int, int}> $pauses
     * @param list<float>           $peaks
     * @param list<array{int, int}> $repeats
     * @param list<array{int, int}> $breaths
     * @param list<array{int, int}> $clicks
     */
    public function __construct(
        public int $samples,
        public int $from,
        public int $to,
        public ?float $loudness,
        public float $peak,
        public ?float $noise,
        public bool $clipped,
        public array $pauses,
        public array $peaks,
        public float $cleaned = 0.0,
        public array $repeats = [],
        public array $breaths = [],
        public array $clicks = [],
    ) {}

    public function voice(string $id, string $file): Voice
    {
        return new Voice(
            $id,
            $file,
            $this->samples,
            $this->from,
            $this->to,
            $this->loudness,
            $this->peak,
            $this->noise,
            $this->clipped,
            $this->pauses,
            repeats: $this->repeats,
            cleaned: $this->cleaned,
            breaths: $this->breaths,
            clicks: $this->clicks,
        );
    }
}
