<?php

declare(strict_types=1);

namespace Rhapsode\Core\Geometry;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** A point of a picture or a slide, in shares of its width and height. */
final readonly class Point
{
    public function __construct(public float $x, public float $y) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        return new self(round($in->number('x', 0, 1), 6), round($in->number('y', 0, 1), 6));
    }

    public static function middle(): self
    {
        return new self(0.5, 0.5);
    }

    /** Where it is on a slide that shows this frame of its picture; beyond the slide's edges, where it is out of sight. */
    public function seenIn(Frame $frame): self
    {
        return new self(($this->x - $frame->x) / $frame->width, ($this->y - $frame->y) / $frame->height);
    }

    /** Where it is on the slide, where this is a point of a part of that. */
    public function of(Frame $part): self
    {
        return new self($part->x + $this->x * $part->width, $part->y + $this->y * $part->height);
    }

    /** The nearest point of a part of a slide. */
    public function heldIn(Frame $part): self
    {
        return new self(
            max($part->x, min($part->x + $part->width, $this->x)),
            max($part->y, min($part->y + $part->height, $this->y)),
        );
    }

    public function isIn(Frame $part): bool
    {
        return $this->heldIn($part) == $this;
    }

    /** @return array{x: float, y: float} */
    public function toArray(): array
    {
        return ['x' => $this->x, 'y' => $this->y];
    }
}
