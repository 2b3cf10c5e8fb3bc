<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/**
 * One take: a recording of a voice, as measured once and for good.
 *
 * Lengths and places are samples at 48 kHz. $from and $to bound the voice within the recording (what stands
 * outside is silence that may be trimmed). $loudness is the integrated loudness of the voice in LUFS as heard from
 * two channels (ITU-R BS.1770), null where nothing is loud enough to be measured; $peak its true peak in dBTP. $noise is how
 * many decibels what is heard in its pauses lies under the voice, null where that is not known; $clipped whether it was
 * recorded louder than the microphone could take. $pauses are the places within the recording where nobody speaks, each
 * from and to (exclusive), in order. $repeats are those where something was begun again: the samples from which it was first said to
 * those from which it is said again, in order.
 */
final readonly class Voice extends Asset
{
    /**
     * Samples of a pause, at least: the closures of consonants are shorter (common practice in phonetics puts the limit of a silent
     * pause at 100 to 250 ms).
     */
    public const SHORTEST_PAUSE = 5760;

    /**
     * @param list<array{int, int}> $pauses
     * @param list<array{int, int}> $repeats
     */
    public function __construct(
        string $id,
        string $file,
        public int $samples,
        public int $from,
        public int $to,
        public ?float $loudness,
        public float $peak,
        public ?float $noise = null,
        public bool $clipped = false,
        public array $pauses = [],
        Source $source = new Source(),
        public array $repeats = [],
    ) {
        parent::__construct($id, $file, $source);
    }

    public static function read(string $id, Fields $in): self
    {
        $samples = $in->whole('samples', 1, Limits::SAMPLES);
        $from = $in->whole('from', 0, $samples - 1);

        return new self(
            $id,
            $in->text('file', Limits::FILE, min: 1),
            $samples,
            $from,
            $in->whole('to', $from + 1, $samples),
            $in->numberOrNull('loudness', -100, 20),
            $in->number('peak', -200, 40),
            $in->numberOrNull('noise', -200, 200),
            $in->flag('clipped', false),
            $in->pairs('pauses', 0, $samples),
            Source::in($in),
            $in->pairs('repeats', 0, $samples),
        );
    }

    public function kind(): AssetKind
    {
        return AssetKind::Voice;
    }

    public function withSource(Source $source): static
    {
        return new self(
            $this->id,
            $this->file,
            $this->samples,
            $this->from,
            $this->to,
            $this->loudness,
            $this->peak,
            $this->noise,
            $this->clipped,
            $this->pauses,
            $source,
            $this->repeats,
        );
    }

    protected function measured(): array
    {
        return [
            'samples' => $this->samples, 'from' => $this->from, 'to' => $this->to,
            'loudness' => $this->loudness, 'peak' => $this->peak, 'noise' => $this->noise, 'clipped' => $this->clipped, 'pauses' => $this->pauses,
        ] + ([] === $this->repeats ? [] : ['repeats' => $this->repeats]);
    }
}
