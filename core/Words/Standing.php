<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/**
 * How words stand clear of what lies under them. Colours #RRGGBB; null for none of it. $opacity is that of the plate; an edge is an outline
 * that touches the letters, a shadow lies behind them and makes nothing legible by itself.
 */
final readonly class Standing
{
    public function __construct(
        public string $colour,
        public ?string $plate = null,
        public float $opacity = 0.0,
        public ?string $edge = null,
        public ?string $shadow = null,
    ) {}
}
