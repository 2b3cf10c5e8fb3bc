<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;

/** What part of a picture is seen, and how that changes; the frames and the stops between them count where the motion is set. */
final readonly class Framing
{
    /** @param list<Stop> $stops in any order: each knows when it is reached */
    public function __construct(
        public Motion $motion = Motion::Auto,
        public ?Frame $opensOn = null,
        public ?Frame $closesOn = null,
        public array $stops = [],
    ) {}

    public static function read(Fields $in): self
    {
        $framing = new self(
            $in->choice('motion', Motion::class, Motion::Auto),
            $in->has('opensOn') ? Frame::read($in->object('opensOn')) : null,
            $in->has('closesOn') ? Frame::read($in->object('closesOn')) : null,
            array_map(Stop::read(...), $in->objects('stops')),
        );
        if (\count($framing->stops) > Limits::STOPS) {
            throw new Malformed('document.too-many-stops', ['most' => Limits::STOPS]);
        }
        if (Motion::Set === $framing->motion && (null === $framing->opensOn || null === $framing->closesOn)) {
            throw new Malformed('document.move-needs-both');
        }

        return $framing;
    }

    /**
     * The same framing, each of its frames changed.
     *
     * @param \Closure(Frame): Frame $change
     */
    public function withFrames(\Closure $change): self
    {
        return new self(
            $this->motion,
            null === $this->opensOn ? null : $change($this->opensOn),
            null === $this->closesOn ? null : $change($this->closesOn),
            array_map(static fn(Stop $stop): Stop => $stop->on($change($stop->frame)), $this->stops),
        );
    }

    /** @param \Closure(Stop): Stop $change */
    public function withStops(\Closure $change): self
    {
        return new self($this->motion, $this->opensOn, $this->closesOn, array_map($change, $this->stops));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['motion' => $this->motion->value, 'opensOn' => $this->opensOn?->toArray(), 'closesOn' => $this->closesOn?->toArray()]
            + ([] === $this->stops ? [] : ['stops' => array_map(static fn(Stop $stop): array => $stop->toArray(), $this->stops)]);
    }
}
