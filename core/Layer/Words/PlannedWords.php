<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Words\TextBlock;

/**
 * Words set and placed, drawn once for film and preview alike; $place is where those on a picture have come to stand. They come up
 * from below, as if from behind the lower edge of what they cover, by $rise (1: RISE of the slide's height, 0: there), or are
 * written line by line. One that is lit lies over the same words, while they are said.
 */
final readonly class PlannedWords implements PlannedLayer
{
    /** How far below its place it is at first that comes up, a share of the slide's height. */
    public const RISE = 0.05;

    public function __construct(
        private string $id,
        public TextBlock $block,
        private Envelope $opacity,
        public ?Spot $place = null,
        public ?Envelope $rise = null,
        public ?Reveal $reveal = null,
        public bool $isLit = false,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Words;
    }

    public function hash(): string
    {
        return $this->block->hash();
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    public function seen(int $frame): float
    {
        // One line of several that light up is not more to see than another.
        return $this->isLit ? 0.0 : $this->opacity->at($frame) * ($this->reveal?->written->at($frame) ?? 1.0);
    }

    public function envelopes(): array
    {
        return [$this->opacity, ...null === $this->rise ? [] : [$this->rise], ...null === $this->reveal ? [] : [$this->reveal->written]];
    }

    /** @return array<string, mixed> how its text is set, as it is written on the stage */
    private function type(): array
    {
        $line = $this->block->lines[0] ?? null;

        return null === $line ? [] : ['type' => [
            'face' => $line->type->face->value, 'weight' => $line->type->weight->value, 'size' => round($line->size / $this->block->height, 6),
            'align' => $line->align,
        ]];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind()->value,
            'hash' => $this->hash(),
            'fits' => $this->block->fits,
            'box' => $this->block->body()->toArray(),
            ...$this->type(),
            'opacity' => $this->opacity->toArray(),
            ...null === $this->rise ? [] : ['rise' => ['by' => self::RISE, 'left' => $this->rise->toArray()]],
            ...$this->isLit ? ['lit' => true] : [],
            ...null === $this->reveal ? [] : ['reveal' => $this->reveal->toArray()],
        ];
    }
}
