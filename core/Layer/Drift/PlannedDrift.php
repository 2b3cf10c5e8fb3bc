<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Timing\Rate;

/**
 * One depth of a drift as it passes. At frame n of its scene its sheet lies ($since + n) frames' way from where it is drawn, and
 * again beside and below itself, so that it covers the slide.
 */
final readonly class PlannedDrift implements PlannedLayer
{
    /**
     * @param float $cover how much of what lies under it is covered where it is thickest, 0 to 1
     * @param int   $since frames for which it has passed when the scene begins: it goes on from one slide to the next
     */
    public function __construct(public DriftSheet $sheet, public string $colour, public float $cover, public int $since) {}

    public function id(): string
    {
        return 'drift-' . substr(hash('sha256', $this->sheet->name()), 0, 12);
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Drift;
    }

    public function hash(): string
    {
        $looks = [$this->sheet->drawn(), $this->colour, $this->cover, $this->step(), $this->since];

        return substr(hash('sha256', json_encode($looks, \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return false;
    }

    public function opacity(): Envelope
    {
        return Envelope::constant($this->cover);
    }

    public function seen(int $frame): float
    {
        // It is as much at every moment.
        return 0.0;
    }

    public function envelopes(): array
    {
        return [];
    }

    /** @return array{x: float, y: float} how far it comes in a frame, in shares of the slide's width and height */
    public function step(): array
    {
        return array_map(static fn(float $second): float => round($second / Rate::FPS, 8), $this->sheet->velocity());
    }

    /**
     * Where its sheet begins at a frame of its scene: the same again is seen at a whole width or height from there.
     *
     * @return array{x: float, y: float} 0 to 1, shares of the slide's width and height
     */
    public function at(int $frame): array
    {
        return array_map(function (float $step) use ($frame): float {
            $way = $step * ($this->since + $frame);

            return $way - floor($way);
        }, $this->step());
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id(),
            'kind' => $this->kind()->value,
            'sheet' => $this->sheet->name(),
            'opacity' => $this->opacity()->toArray(),
            'step' => $this->step(),
            'since' => $this->since,
        ];
    }
}
