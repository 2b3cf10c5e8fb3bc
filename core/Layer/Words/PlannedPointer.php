<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;

/**
 * A line from words to a point of the picture under them, which it stays with while the picture moves; it ends within the slide
 * where the point is beyond it. It begins at the edge of $from, the nearest to where it ends, and there is none where the point
 * lies under the words; a dot marks the point.
 */
final readonly class PlannedPointer implements PlannedLayer
{
    /** Of the line, of what is about it, and of the dot's radius: pixels of a film whose shorter side has 720. */
    public const LINE = 3.0;
    public const EDGE = 1.5;
    public const DOT = 7.0;

    public function __construct(
        private string $id,
        public Frame $from,
        public Move $move,
        public Point $target,
        public string $colour,
        public string $edge,
        private Envelope $opacity,
        private ?Frame $box = null,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Pointer;
    }

    /** Where it ends. @param float $t of the picture's whole move, 0 to 1 */
    public function end(float $t): Point
    {
        $seen = $this->target->seenIn($this->move->at($t));

        return (null === $this->box ? $seen : $seen->of($this->box))->heldIn($this->within());
    }

    /** Where it begins. */
    public function begin(float $t): Point
    {
        return $this->end($t)->heldIn($this->from);
    }

    /** The dot is seen whole. */
    private function within(): Frame
    {
        $inner = new Frame(0.02, 0.02, 0.96, 0.96);

        return null === $this->box ? $inner : $this->box->within($inner);
    }

    public function hash(): string
    {
        return substr(hash('sha256', json_encode([
            $this->from->toArray(), $this->move->toArray(), $this->target->toArray(), $this->colour, $this->edge,
            ...null === $this->box ? [] : [$this->box->toArray()],
        ], \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return $this->move->isStill();
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
        return [$this->opacity];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'from' => $this->from->toArray(), 'path' => $this->move->toArray(),
            'target' => $this->target->toArray(), 'within' => $this->within()->toArray(), 'colour' => $this->colour, 'edge' => $this->edge,
            'line' => self::LINE, 'about' => self::EDGE, 'dot' => self::DOT, 'opacity' => $this->opacity->toArray(),
            ...null === $this->box ? [] : ['box' => $this->box->toArray()],
        ];
    }
}
