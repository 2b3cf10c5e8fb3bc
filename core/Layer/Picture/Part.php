<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/**
 * What a slide shows of a clip, and how it is heard: the frames from $from on, up to $to (exclusive; null for its end). $level is by
 * how many decibels it is louder than the film's voices are.
 */
final readonly class Part
{
    public function __construct(
        public int $from = 0,
        public ?int $to = null,
        public float $level = 0.0,
        public bool $muted = false,
        public Lasts $lasts = Lasts::Clip,
    ) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $from = $in->whole('from', 0, Limits::CLIP_FRAMES - 1, 0);

        return new self(
            $from,
            null === $in->raw('to') ? null : $in->whole('to', $from + 1, Limits::CLIP_FRAMES),
            $in->number('level', Limits::LEAST_LEVEL, Limits::MOST_LEVEL, 0.0),
            $in->flag('muted', false),
            $in->choice('lasts', Lasts::class, Lasts::Clip),
        );
    }

    /** The frame after the last one that is shown. */
    public function end(Clip $clip): int
    {
        return min($this->to ?? $clip->frames, $clip->frames);
    }

    public function frames(Clip $clip): int
    {
        return $this->end($clip) - $this->from;
    }

    /** Whether all that it names is there. */
    public function liesIn(Clip $clip): bool
    {
        return $this->from < $clip->frames && ($this->to ?? 0) <= $clip->frames;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['from' => $this->from, 'to' => $this->to, 'level' => $this->level, 'muted' => $this->muted, 'lasts' => $this->lasts->value];
    }
}
