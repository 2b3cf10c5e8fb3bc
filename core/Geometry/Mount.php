<?php

declare(strict_types=1);

namespace Rhapsode\Core\Geometry;

/**
 * How what lies in the cells of a slide is mounted on its ground: how far apart, how round its corners are, and how broad the
 * line about it is. Shares of the slide's shorter side.
 */
final readonly class Mount
{
    /** @param string|null $colour of the line, #rrggbb; null for none */
    public function __construct(
        public float $gap = 0.03,
        public float $corner = 0.012,
        public float $line = 0.0,
        public ?string $colour = null,
    ) {}

    public function coloured(string $colour): self
    {
        return new self($this->gap, $this->corner, $this->line, $colour);
    }

    /** Whether what lies there is seen otherwise than a plain box. */
    public function isSeen(): bool
    {
        return $this->corner > 0 || null !== $this->colour;
    }
}
