<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Timing\VoiceSpan;
use Rhapsode\Core\Words\Sheet;

/**
 * A slide of the plan. Frames: it is seen from $start, coming in over $joinIn frames, alone until $end, and going out
 * over its join to the next slide, whose frames lie after $end. Its move takes all that time.
 */
final readonly class PlannedSlide
{
    public function __construct(
        public string $id,
        public string $name,
        public ?string $file,
        public Image $image,
        public int $start,
        public int $end,
        public int $joinIn,
        public PlannedJoin $join,
        public Move $move,
        public Sheet $words,
        public ?VoiceSpan $voice,
        public float $gain,
    ) {}

    /** The first frame at which it is no longer seen. */
    public function gone(): int
    {
        return $this->end + $this->join->frames;
    }

    /** How far its move has come at a frame of the film, 0 to 1. */
    public function progress(int $frame): float
    {
        return ($frame - $this->start) / max(1, $this->gone() - $this->start - 1);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'file' => $this->file,
            'image' => $this->image->toArray(),
            'start' => $this->start,
            'end' => $this->end,
            'stay' => $this->end - $this->start,
            'joinIn' => $this->joinIn,
            'join' => $this->join->toArray(),
            'opensOn' => $this->move->opensOn->toArray(),
            'closesOn' => $this->move->closesOn->toArray(),
            'words' => $this->words->hash(),
            'wordsFit' => $this->words->fits,
            'voice' => null === $this->voice ? null : [
                'take' => $this->voice->take,
                'start' => $this->voice->at / Rate::SAMPLES,
                'end' => $this->voice->end() / Rate::SAMPLES,
                'from' => $this->voice->from / Rate::SAMPLES,
                'to' => $this->voice->to / Rate::SAMPLES,
                'gain' => $this->gain,
            ],
        ];
    }
}
