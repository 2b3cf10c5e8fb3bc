<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Story\Slide;

/** A slide with its place in the film. Frames; the transition into it lies at the beginning of the stay. */
final readonly class TimedSlide
{
    /** @param list<PlacedSpan> $voice without gaps */
    public function __construct(
        public Slide $slide,
        public int $start,
        public int $stay,
        public int $comesIn,
        public array $voice,
    ) {}

    public function end(): int
    {
        return $this->start + $this->stay;
    }
}
