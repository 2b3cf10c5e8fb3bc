<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Lines of one size, each in the middle, that are still to be placed. Pixels of a frame whose shorter side has 720. */
final readonly class CentredLines
{
    /**
     * @param list<string> $lines
     * @param list<float>  $widths of each
     */
    public function __construct(
        private array $lines,
        private array $widths,
        private Face $face,
        private float $size,
        private float $leading,
        private Standing $standing,
        public bool $fits,
    ) {}

    public function height(): float
    {
        return \count($this->lines) * $this->leading;
    }

    /** @return list<Line> */
    public function at(float $x, float $top): array
    {
        return array_map(
            fn(int $i): Line => Line::standing(
                $this->standing,
                $this->lines[$i],
                $this->face,
                $x,
                $top + $i * $this->leading,
                $this->size,
                'center',
                $this->widths[$i],
            ),
            array_keys($this->lines),
        );
    }
}
