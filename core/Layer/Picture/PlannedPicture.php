<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\ShowsAsset;
use Rhapsode\Core\Picture\Rendition;

/**
 * A rendition, of which the frames of a move are seen from one after the other while its scene is. $heads lie in the rendition, where
 * that is known: what is laid over the picture keeps off them. $clip is what moves in it; $box what it takes of the slide, null for all
 * of it.
 */
final readonly class PlannedPicture implements PlannedLayer, ShowsAsset
{
    /**
     * @param list<Frame> $heads
     * @param bool        $isWhole whether all of it is seen: on its ground, or in its own shape in its cell
     */
    public function __construct(
        private string $id,
        public Rendition $rendition,
        public Move $move,
        public array $heads = [],
        public ?PlannedClip $clip = null,
        public ?Frame $box = null,
        private Envelope $opacity = new Envelope([[0, 1.0]]),
        private bool $isWhole = false,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function asset(): string
    {
        return $this->rendition->asset;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Picture;
    }

    public function hash(): string
    {
        return substr(hash(
            'sha256',
            json_encode(array_filter([$this->rendition->toArray(), $this->move->toArray(), $this->clip?->toArray(), $this->box?->toArray()]), \JSON_THROW_ON_ERROR),
        ), 0, 24);
    }

    public function isStill(): bool
    {
        return null === $this->clip && $this->move->isStill();
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    /** What of its rendition is seen in a part of the slide, at one moment or another; null where it does not lie there. */
    public function under(Frame $part): ?Frame
    {
        $inside = null === $this->box ? $part : $part->cut($this->box);

        return null === $inside ? null : $this->move->under($inside);
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
            'id' => $this->id,
            'kind' => $this->kind()->value,
            'rendition' => $this->rendition->toArray(),
            'path' => $this->move->toArray(),
        ]
            + (null === $this->clip ? [] : ['clip' => $this->clip->toArray()])
            + (null === $this->box ? [] : ['box' => $this->box->toArray(), 'opacity' => $this->opacity->toArray()])
            + ($this->isWhole ? ['whole' => true] : []);
    }
}
