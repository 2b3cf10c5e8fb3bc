<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;

/** A path on a ground of 24 by 24, filled with a colour, in a box of the slide (shares of its width and height). */
final readonly class PlannedIcon implements PlannedLayer
{
    public const GROUND = 24;

    public function __construct(
        private string $id,
        public string $path,
        public string $colour,
        public Frame $box,
        private Envelope $opacity,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Icon;
    }

    public function hash(): string
    {
        return substr(hash('sha256', json_encode([$this->path, $this->colour, $this->box->toArray()], \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    public function seen(int $frame): float
    {
        return $this->opacity()->at($frame);
    }

    public function envelopes(): array
    {
        return [$this->opacity()];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'path' => $this->path, 'colour' => $this->colour,
            'box' => $this->box->toArray(), 'opacity' => $this->opacity->toArray(),
        ];
    }
}
