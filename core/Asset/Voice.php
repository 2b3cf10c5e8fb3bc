<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Pointing\Stroke;

/**
 * One take: a recording of a voice, as measured once and for good.
 *
 * Lengths and places are samples at 48 kHz. $from and $to bound the voice within the recording (what stands
 * outside is silence that may be trimmed). $loudness is the integrated loudness of the voice in LUFS as heard from
 * two channels (ITU-R BS.1770), null where nothing is loud enough to be measured; $peak its true peak in dBTP. $noise is how
 * many decibels what is heard in its pauses lies under the voice, null where that is not known; $clipped whether it was
 * recorded louder than the microphone could take. $pauses are the places within the recording where nobody speaks, each
 * from and to (exclusive), in order. $repeats are those where something was begun again: the samples from which it was first said to
 * those from which it is said again, in order. $breaths and $clicks are where breath is drawn and where a mouth clicks, from and to
 * (exclusive), in order. $cleaned is by how many decibels a steady noise was lowered, 0 for not at all.
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
     * @param list<array{int, int}> $breaths
     * @param list<array{int, int}> $clicks
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
        public Take $take = new Take(),
        public float $cleaned = 0.0,
        public array $breaths = [],
        public array $clicks = [],
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
            $in->has('take') ? Take::read($in->object('take')) : new Take(),
            $in->number('cleaned', 0, 100, 0.0),
            $in->pairs('breaths', 0, $samples),
            $in->pairs('clicks', 0, $samples),
        );
    }

    public function kind(): AssetKind
    {
        return AssetKind::Voice;
    }

    public function withSource(Source $source): static
    {
        return $this->with(source: $source);
    }

    public function withTake(Take $take): self
    {
        return $this->with(take: $take);
    }

    /**
     * The same where the pictures that were pointed at go by other ids.
     *
     * @param array<string, string> $ids the new id of each
     */
    public function amongRenamed(array $ids): self
    {
        return $this->withTake($this->take->with(pointing: array_map(static fn(Stroke $stroke): Stroke => $stroke->renamed($ids), $this->take->pointing)));
    }

    private function with(mixed ...$changes): static
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    protected function measured(): array
    {
        return [
            'samples' => $this->samples, 'from' => $this->from, 'to' => $this->to,
            'loudness' => $this->loudness, 'peak' => $this->peak, 'noise' => $this->noise, 'clipped' => $this->clipped, 'pauses' => $this->pauses,
        ] + array_filter([
            'repeats' => $this->repeats, 'cleaned' => $this->cleaned, 'breaths' => $this->breaths, 'clicks' => $this->clicks,
            'take' => $this->take->toArray(),
        ]);
    }
}
