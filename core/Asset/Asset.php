<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

/** Something that came in from outside and was measured once: its original is kept, and never changes. */
abstract readonly class Asset
{
    /** @param string $file the name it came with */
    public function __construct(public string $id, public string $file, public Source $source = new Source()) {}

    abstract public function kind(): AssetKind;

    abstract public function withSource(Source $source): static;

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => $this->kind()->value, 'file' => $this->file, ...$this->measured(), 'source' => $this->source->toArray()];
    }

    /** @return array<string, mixed> what was measured */
    abstract protected function measured(): array;
}
