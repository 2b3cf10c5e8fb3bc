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
     * @param int   $frames  that the scene is seen
     * @param float $seconds over which it comes, and goes
     */
    public static function comingAndGoing(?float $comes, ?float $goes, int $frames, int $fps, float $seconds = self::SOFT): self
    {
        $soft = (int) round($seconds * $fps);
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

    /** There from one second on, up to another, with no time between. */
    public static function atOnce(?float $comes, ?float $goes, int $frames, int $fps): self
    {
        $at = static fn(float $second): int => min($frames, (int) round($second * $fps));
        $from = null === $comes ? 0 : $at($comes);
        $to = null === $goes ? $frames : max($from, $at($goes));
        $points = [
            ...($from > 0 ? [[$from - 1, 0.0], [$from, 1.0]] : [[0, 1.0]]),
            ...($to < $frames ? [[max($from, $to - 1), 1.0], [$to, 0.0]] : []),
        ];

        return 1 === \count($points) ? self::constant(1.0) : new self($points);
    }

    /** From 0 to 1, evenly, from a second on. @param float $seconds that it takes */
    public static function over(float $from, float $seconds, int $frames, int $fps): self
    {
        $begins = min($frames, (int) round($from * $fps));
        $ends = $begins + max(1, (int) round($seconds * $fps));

        return new self([[$begins, 0.0], [$ends, 1.0]]);
    }

    /** From 1 to 0, ever slower, from a second on. @param float $seconds that it takes */
    public static function settling(float $from, float $seconds, int $frames, int $fps): self
    {
        $begins = min($frames, (int) round($from * $fps));
        $steps = 6;

        return new self(array_map(
            static fn(int $step): array => [$begins + (int) round($step / $steps * $seconds * $fps), (1 - $step / $steps) ** 2],
            range(0, $steps),
        ));
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
        return self::together([$this], $from, $to);
    }

    /**
     * The same for several: a stretch changes where one of them does.
     *
     * @param list<self> $all
     *
     * @return list<array{int, int, bool}>
     */
    public static function together(array $all, int $from, int $to): array
    {
        $points = array_merge(...array_map(static fn(self $one): array => array_column($one->points, 0), $all));
        $bounds = array_unique([$from, ...array_filter($points, static fn(int $at): bool => $at > $from && $at < $to), $to]);
        sort($bounds);
        $stretches = [];
        foreach ($bounds as $i => $end) {
            if ($i > 0) {
                $begin = $bounds[$i - 1];
                $changes = array_filter($all, static fn(self $one): bool => $one->at($begin) !== $one->at($end));
                $stretches[] = [$begin, $end, [] !== $changes];
            }
        }

        return $stretches;
    }

    /** Both at once, one seen through the other. */
    public function times(self $other): self
    {
        $frames = array_unique([...array_column($this->points, 0), ...array_column($other->points, 0)]);
        sort($frames);

        return new self(array_map(fn(int $frame): array => [$frame, $this->at($frame) * $other->at($frame)], $frames));
    }

    /** @return list<array{frame: int, value: float}> */
    public function toArray(): array
    {
        return array_map(static fn(array $point): array => ['frame' => $point[0], 'value' => round($point[1], 6)], $this->points);
    }
}
