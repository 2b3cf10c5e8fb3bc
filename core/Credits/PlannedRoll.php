<?php

declare(strict_types=1);

namespace Rhapsode\Core\Credits;

use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\TextBlock;

/**
 * Credits that pass upwards over the slide, all at one speed, and come to rest with their last entries in sight. $top is where
 * their upper edge lies, in shares of the slide's height from its top.
 */
final readonly class PlannedRoll implements PlannedLayer
{
    /** Where the heading stands at first: one sees what begins. */
    private const BEGINS = 0.6;
    /** Seconds for which the last entries stand. */
    private const RESTS = 2.5;
    /**
     * Pixels a frame that it can come, of a slide whose shorter side has 720: in whole ones, or one every second frame, it goes
     * evenly (common practice); and no faster than the eye follows letters.
     */
    private const STEPS = [2.0, 1.0, 0.5];

    private function __construct(public TextBlock $block, public Envelope $top, public int $frames) {}

    /** @param list<string> $entries that are set in it */
    public static function of(TextBlock $block, array $entries): self
    {
        $slide = $block->height / $block->slides;
        $edge = $slide * Spot::EDGE;
        $rest = round($block->height <= $slide - 2 * $edge ? ($slide - $block->height) / 2 : $slide - $edge - $block->height);
        $read = $block->height / Rate::frames(Credits::reading($entries));
        $step = [...array_filter(self::STEPS, static fn(float $step): bool => $step <= $read), self::STEPS[2]][0];
        $frames = (int) ceil((self::BEGINS * $slide - $rest) / $step);

        return new self(
            $block,
            new Envelope([[0, ($rest + $frames * $step) / $slide], [$frames, $rest / $slide]]),
            $frames + Rate::frames(self::RESTS),
        );
    }

    public function id(): string
    {
        return 'credits';
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Roll;
    }

    public function hash(): string
    {
        return $this->block->hash();
    }

    public function isStill(): bool
    {
        return false;
    }

    public function opacity(): Envelope
    {
        return Envelope::constant(1.0);
    }

    public function seen(int $frame): float
    {
        $top = $this->top->at($frame);

        return (min(1.0, $top + $this->block->slides) - max(0.0, $top)) / $this->block->slides;
    }

    public function envelopes(): array
    {
        return [$this->top];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id(),
            'kind' => $this->kind()->value,
            'hash' => $this->hash(),
            'slides' => round($this->block->slides, 6),
            'top' => $this->top->toArray(),
            'opacity' => $this->opacity()->toArray(),
        ];
    }
}
