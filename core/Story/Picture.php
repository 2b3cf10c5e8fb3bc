<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\Fields;

/** A picture that the story may use. Width and height are pixels of the upright picture. */
final readonly class Picture
{
    public function __construct(
        public string $id,
        public string $file,
        public int $width,
        public int $height,
        public Source $source = new Source(),
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->text('file', 255, min: 1),
            $in->whole('width', 1, 100_000),
            $in->whole('height', 1, 100_000),
            $in->has('source') ? Source::read($in->object('source')) : new Source(),
        );
    }

    public function withSource(Source $source): self
    {
        return new self($this->id, $this->file, $this->width, $this->height, $source);
    }

    public function ratio(): float
    {
        return $this->width / $this->height;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['file' => $this->file, 'width' => $this->width, 'height' => $this->height, 'source' => $this->source->toArray()];
    }
}
