<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\Fields;

/**
 * A piece of music (or any other sound) that beds are made of, as measured once. $samples at 48 kHz; $loudness its
 * integrated loudness in LUFS and $loudest the highest it has over any 3 s (short-term, EBU Tech 3341), null where it is
 * silent; $peak its true peak in dBTP.
 */
final readonly class Music
{
    public function __construct(
        public string $id,
        public string $file,
        public int $samples,
        public ?float $loudness,
        public ?float $loudest,
        public float $peak,
        public Source $source = new Source(),
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->text('file', 255, min: 1),
            $in->whole('samples', 1, 48_000 * 4 * 3600),
            $in->numberOrNull('loudness', -100, 20),
            $in->numberOrNull('loudest', -100, 20),
            $in->number('peak', -200, 40),
            $in->has('source') ? Source::read($in->object('source')) : new Source(),
        );
    }

    public function withSource(Source $source): self
    {
        return new self($this->id, $this->file, $this->samples, $this->loudness, $this->loudest, $this->peak, $source);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'file' => $this->file, 'samples' => $this->samples, 'loudness' => $this->loudness, 'loudest' => $this->loudest,
            'peak' => $this->peak, 'source' => $this->source->toArray(),
        ];
    }
}
