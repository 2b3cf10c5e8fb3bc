<?php

declare(strict_types=1);

namespace Rhapsode\Core\Timing;

use Rhapsode\Core\Story\Slide;

/** A slide with its place in the film. Frames; the join in lies at the beginning of the stay. */
final readonly class Timed
{
    public function __construct(
        public Slide $slide,
        public int $start,
        public int $stay,
        public int $joinIn,
        public ?VoiceSpan $voice,
    ) {}

    public function end(): int
    {
        return $this->start + $this->stay;
    }
}
