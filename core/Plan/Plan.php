<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Framing\Ease;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Timing\Rate;

/** Everything that is seen and heard, computed from a story: what the preview plays and the film is made from. */
final readonly class Plan
{
    /**
     * @param list<PlannedSlide> $slides
     * @param list<Cue>          $cues
     * @param list<string>       $credits
     */
    public function __construct(
        public string $title,
        public string $language,
        public Shape $shape,
        public array $slides,
        public array $cues,
        public array $credits,
    ) {}

    public function frames(): int
    {
        return [] === $this->slides ? 0 : $this->slides[\count($this->slides) - 1]->end;
    }

    public function seconds(): float
    {
        return Rate::seconds($this->frames());
    }

    /**
     * @param int $height pixels
     *
     * @return array<string, mixed>
     */
    public function toArray(int $height = 720): array
    {
        return [
            'title' => $this->title,
            'language' => $this->language,
            'fps' => Rate::FPS,
            'width' => $this->shape->width($height),
            'height' => $height,
            'frames' => $this->frames(),
            'ease' => Ease::table(),
            'slides' => array_map(static fn(PlannedSlide $s): array => $s->toArray(), $this->slides),
            'cues' => array_map(static fn(Cue $c): array => $c->toArray(), $this->cues),
            'credits' => $this->credits,
        ];
    }
}
