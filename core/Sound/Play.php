<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Timing\Rate;

/**
 * A piece of a sound as it is heard in the film: from sample $at of the film on, the samples $from to $to (exclusive) of
 * the sound, times a gain. The gain is given at some samples of the film, in order, as a linear factor; between them it
 * goes in a straight line, before the first and after the last it stays. Preview and film read the same points.
 */
final readonly class Play
{
    /**
     * @param non-empty-list<array{int, float}> $gains
     * @param string|null                       $slide that it belongs to, where it belongs to one
     * @param bool                              $untouched whether it is heard with the noise that was lowered in it
     */
    public function __construct(
        public string $asset,
        public int $at,
        public int $from,
        public int $to,
        public array $gains,
        public Bus $bus = Bus::Bed,
        public ?string $slide = null,
        public bool $untouched = false,
    ) {}

    public function length(): int
    {
        return $this->to - $this->from;
    }

    public function end(): int
    {
        return $this->at + $this->length();
    }

    public function gainAt(int $sample): float
    {
        $before = $this->gains[0];
        foreach ($this->gains as $point) {
            if ($point[0] > $sample) {
                return $point[0] === $before[0] || $sample <= $before[0]
                    ? $before[1]
                    : $before[1] + ($point[1] - $before[1]) * ($sample - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }

    /** @return array<string, mixed> times in seconds */
    public function toArray(): array
    {
        return [
            'asset' => $this->asset,
            'bus' => $this->bus->value,
            'slide' => $this->slide,
            'start' => $this->at / Rate::SAMPLES,
            'end' => $this->end() / Rate::SAMPLES,
            'from' => $this->from / Rate::SAMPLES,
            'to' => $this->to / Rate::SAMPLES,
            'gains' => array_map(
                static fn(array $point): array => ['at' => round($point[0] / Rate::SAMPLES, 6), 'gain' => round($point[1], 6)],
                $this->gains,
            ),
        ] + ($this->untouched ? ['untouched' => true] : []);
    }
}
