<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

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

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'x' => round($this->x, 2), 'y' => round($this->y, 2), 'width' => round($this->width, 2), 'height' => round($this->height, 2),
            'colour' => $this->colour, 'opacity' => $this->opacity, 'radius' => $this->radius,
        ];
    }
}
