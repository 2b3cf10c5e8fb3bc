<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Words broken into lines of one size, that are still to be placed. Pixels of a frame whose shorter side has 720. */
final readonly class Fitted
{
    public const LEADING = 1.28;

    /**
     * @param list<string> $lines
     * @param list<float>  $widths of each
     * @param bool         $fits   whether they found room at a size that can be read
     */
    public function __construct(
        public array $lines,
        public array $widths,
        public Type $type,
        public float $size,
        public bool $fits = true,
    ) {}

    public function height(): float
    {
        return \count($this->lines) * $this->size * self::LEADING;
    }

    public function width(): float
    {
        return max([0.0, ...$this->widths]);
    }

    /**
     * @param float  $x     of their middle, left or right edge
     * @param string $align center, left or right
     *
     * @return list<Line>
     */
    public function at(float $x, float $top, Standing $standing, string $align = 'center'): array
    {
        return array_map(fn(int $i): Line => Line::standing(
            $standing,
            $this->lines[$i],
            $this->type,
            $x,
            $top + $i * $this->size * self::LEADING,
            $this->size,
            $align,
            $this->widths[$i],
        ), array_keys($this->lines));
    }
}
