<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Geometry\Frame;

/** The way of the look over a picture, from frame to frame: between two of them it gets under way and comes to rest. */
final readonly class Move
{
    public Frame $opensOn;
    public Frame $closesOn;

    /** @param non-empty-list<array{float, Frame}> $points at what share of the whole move, 0 to 1 and never falling, it has come to each */
    private function __construct(public array $points)
    {
        $this->opensOn = $points[0][1];
        $this->closesOn = $points[\count($points) - 1][1];
    }

    public static function still(Frame $frame): self
    {
        return new self([[0.0, $frame]]);
    }

    public static function between(Frame $opensOn, Frame $closesOn): self
    {
        return $opensOn->equals($closesOn) ? self::still($opensOn) : new self([[0.0, $opensOn], [1.0, $closesOn]]);
    }

    /** @param non-empty-list<array{float, Frame}> $points the first at 0, the last at 1 */
    public static function along(array $points): self
    {
        return 2 === \count($points) ? self::between($points[0][1], $points[1][1]) : new self($points);
    }

    public function isStill(): bool
    {
        foreach ($this->points as [, $frame]) {
            if (!$frame->equals($this->opensOn)) {
                return false;
            }
        }

        return true;
    }

    /** The frame at a moment $t of the whole move, 0 to 1. */
    public function at(float $t): Frame
    {
        [$left, $before] = $this->points[0];
        foreach ($this->points as [$reached, $frame]) {
            if ($reached > $t) {
                return $before->toward($frame, Ease::at(($t - $left) / ($reached - $left)));
            }
            [$left, $before] = [$reached, $frame];
        }

        return $before;
    }

    /** @return list<array{float, self}> each way from one frame to the next, with the share of the whole move that it takes */
    public function legs(): array
    {
        $legs = [];
        foreach ($this->points as $i => [$reached, $frame]) {
            if ($i > 0) {
                [$left, $before] = $this->points[$i - 1];
                $legs[] = [$reached - $left, self::between($before, $frame)];
            }
        }

        return $legs;
    }

    /** The width of the nearest that it comes. */
    public function nearest(): float
    {
        return min(array_map(static fn(array $point): float => $point[1]->width, $this->points));
    }

    /** What of the picture is seen in a part of the slide, at one moment or another. */
    public function under(Frame $part): Frame
    {
        $seen = $this->opensOn->within($part);
        foreach ($this->points as [, $frame]) {
            $seen = $seen->hull($frame->within($part));
        }

        return $seen;
    }

    /** @return list<array{at: float, frame: array<string, float>}> */
    public function toArray(): array
    {
        return array_map(static fn(array $point): array => ['at' => round($point[0], 6), 'frame' => $point[1]->toArray()], $this->points);
    }
}
