<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\ShowsAsset;
use Rhapsode\Core\Picture\Rendition;

/** The picture on the ground of a slide: a part of it over all of the slide, still, seen through the colour of the ground. */
final readonly class PlannedBackdrop implements PlannedLayer, ShowsAsset
{
    /** @param float $share how much of it is seen, 0 to 1 */
    public function __construct(public Rendition $rendition, public Frame $frame, public string $ground, public float $share) {}

    public function id(): string
    {
        return 'backdrop';
    }

    public function asset(): string
    {
        return $this->rendition->asset;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Backdrop;
    }

    public function hash(): string
    {
        $looks = [$this->rendition->toArray(), $this->frame->toArray(), $this->ground, $this->share];

        return substr(hash('sha256', json_encode($looks, \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return Envelope::constant($this->share);
    }

    public function seen(int $frame): float
    {
        // It is as much at every moment.
        return 0.0;
    }

    public function envelopes(): array
    {
        return [];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id(),
            'kind' => $this->kind()->value,
            'rendition' => $this->rendition->toArray(),
            'frame' => $this->frame->toArray(),
            'opacity' => $this->opacity()->toArray(),
        ];
    }
}
