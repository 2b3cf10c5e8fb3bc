<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/**
 * A piece of music (or any other sound) that beds are made of, as measured once. $samples at 48 kHz; $loudness its
 * integrated loudness in LUFS and $loudest the highest it has over any 3 s (short-term, EBU Tech 3341), null where it is
 * silent; $peak its true peak in dBTP.
 */
final readonly class Music extends Asset
{
    public function __construct(
        string $id,
        string $file,
        public int $samples,
        public ?float $loudness,
        public ?float $loudest,
        public float $peak,
        Source $source = new Source(),
    ) {
        parent::__construct($id, $file, $source);
    }

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->text('file', Limits::FILE, min: 1),
            $in->whole('samples', 1, Limits::SAMPLES),
            $in->numberOrNull('loudness', -100, 20),
            $in->numberOrNull('loudest', -100, 20),
            $in->number('peak', -200, 40),
            Source::in($in),
        );
    }

    public function kind(): AssetKind
    {
        return AssetKind::Music;
    }

    public function withSource(Source $source): static
    {
        return new self($this->id, $this->file, $this->samples, $this->loudness, $this->loudest, $this->peak, $source);
    }

    protected function measured(): array
    {
        return ['samples' => $this->samples, 'loudness' => $this->loudness, 'loudest' => $this->loudest, 'peak' => $this->peak];
    }
}
