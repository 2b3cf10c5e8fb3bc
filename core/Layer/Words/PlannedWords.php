<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Words\TextBlock;

/** Words set and placed, drawn once for film and preview alike; $place is where a caption has come to stand. */
final readonly class PlannedWords implements PlannedLayer
{
    public function __construct(private string $id, public TextBlock $block, private Envelope $opacity, public ?Spot $place = null) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): LayerKind
    {
        return LayerKind::Words;
    }

    public function hash(): string
    {
        return $this->block->hash();
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind()->value,
            'hash' => $this->hash(),
            'fits' => $this->block->fits,
            'opacity' => $this->opacity->toArray(),
        ];
    }
}
