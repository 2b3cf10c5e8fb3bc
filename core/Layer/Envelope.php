<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/**
 * A figure over the frames of a scene, counted from its start: given at some of them, in order, a straight line between,
 * before the first and after the last as there. Film and preview read the same points.
 */
final readonly class Envelope
{
    /** @param non-empty-list<array{int, float}> $points */
    public function __construct(public array $points) {}

    public static function constant(float $value): self
    {
        return new self([[0, $value]]);
    }

    /**
     * Comes at one second of the scene and goes at another, softly; null for what is there from the beginning, or to the end.
     *
     * @param int $frames that the scene is seen
     */
    public static function comingAndGoing(?float $comes, ?float $goes, int $frames, int $fps): self
    {
        $soft = (int) round(self::SOFT * $fps);
        $from = null === $comes ? null : min($frames, (int) round($comes * $fps));
        $to = null === $goes ? null : min($frames, (int) round($goes * $fps));
        if (null !== $from && null !== $to && $to - $from < 2 * $soft) {
            $soft = max(0, intdiv($to - $from, 2));
        }
        $points = [
            ...(null === $from ? [] : [[$from, 0.0], [$from + $soft, 1.0]]),
            ...(null === $to ? [] : [[$to - $soft, 1.0], [$to, 0.0]]),
        ];

        return [] === $points ? self::constant(1.0) : new self($points);
    }

    /** Seconds over which something comes or goes: seen to happen, and not waited for (common practice). */
    public const SOFT = 0.4;

    public function at(float $frame): float
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            if ($point[0] > $frame) {
                return $frame <= $before[0] ? $before[1] : $before[1] + ($point[1] - $before[1]) * ($frame - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }

    /**
     * A run of frames in stretches that are even, or change throughout.
     *
     * @return list<array{int, int, bool}> from, to (exclusive), and whether it changes
     */
    public function stretches(int $from, int $to): array
    {
        $stretches = [];
        $bounds = array_values(array_unique(
            [$from, ...array_filter(array_column($this->points, 0), static fn(int $at): bool => $at > $from && $at < $to), $to],
        ));
        foreach ($bounds as $i => $end) {
            if ($i > 0) {
                $begin = $bounds[$i - 1];
                $stretches[] = [$begin, $end, $this->at($begin) !== $this->at($end)];
            }
        }

        return $stretches;
    }

    /** @return list<array{frame: int, value: float}> */
    public function toArray(): array
    {
        return array_map(static fn(array $point): array => ['frame' => $point[0], 'value' => round($point[1], 6)], $this->points);
    }
}
