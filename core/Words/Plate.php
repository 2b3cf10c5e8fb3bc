<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;

/** A plain rounded area under words. Pixels of a frame 720 high; opacity 0 to 1. */
final readonly class Plate
{
    public function __construct(
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public string $colour,
        public float $opacity,
        public float $radius = 10,
    ) {}

    public function moved(float $y): self
    {
        return new self($this->x, $y, $this->width, $this->height, $this->colour, $this->opacity, $this->radius);
    }

    public static function read(Fields $in): self
    {
        $place = static fn(string $key): float => $in->number($key, -10_000, 10_000);

        return new self(
            $place('x'),
            $place('y'),
            $place('width'),
            $place('height'),
            $in->text('colour', 9),
            $in->number('opacity', 0, 1),
            $in->number('radius', 0, 1000),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'x' => round($this->x, 2), 'y' => round($this->y, 2), 'width' => round($this->width, 2), 'height' => round($this->height, 2),
            'colour' => $this->colour, 'opacity' => $this->opacity, 'radius' => $this->radius,
        ];
    }
}
