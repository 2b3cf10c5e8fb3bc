<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Framing\Ease;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Timing\Rate;

/** Everything that is seen and heard, computed from a story: what the preview plays and the film is made from. */
final readonly class Plan
{
    /**
     * @param list<PlannedSlide> $slides
     * @param list<Cue>          $cues
     * @param list<string>       $credits
     * @param list<Play>         $beds
     */
    public function __construct(
        public string $title,
        public string $language,
        public Shape $shape,
        public array $slides,
        public array $cues,
        public array $credits,
        public array $beds = [],
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
     * @param int $shorter pixels of the film's shorter side
     *
     * @return array<string, mixed>
     */
    public function toArray(int $shorter = 720): array
    {
        $height = $this->shape->height($shorter);

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
            'beds' => array_map(static fn(Play $p): array => $p->toArray(), $this->beds),
        ];
    }
}
