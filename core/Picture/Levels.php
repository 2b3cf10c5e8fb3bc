<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Document\Fields;

/**
 * How dark and how light a picture is: the value, of 0 to 255, under and over which next to nothing of it lies, for red, green and
 * blue; and the value in the middle of its greys.
 *
 * "Make it clear" stretches what is grey and moves what is dark. A picture that is good stays as it is: nothing is done about an
 * end that nearly reaches black or white, nor about a middle that is neither dark nor pale.
 */
final readonly class Levels
{
    /** The share of the pixels that may lie beyond an end: a few bright specks tell nothing. */
    private const BEYOND = 0.0005;
    /** How much of the way is gone. */
    private const ENDS = 0.8;
    private const MIDDLE = 0.5;
    /** Ends so near to black and white are good ones; of 255. */
    private const GOOD_END = 16;
    /** An end is never looked for further in: a night stays a night. */
    private const FURTHEST = 90;
    /** A middle between these is a good one; of 1. */
    private const GOOD_MIDDLE = [0.27, 0.62];
    /** Half of what is found is each channel's own, half what all have in common: a sunset stays one. */
    private const OWN = 0.5;

    /**
     * @param list<int> $low  of red, green and blue
     * @param list<int> $high
     */
    public function __construct(public array $low, public array $high, public int $middle) {}

    public static function read(Fields $in): self
    {
        $three = static fn(string $key): array => array_map(
            static fn(int $i): int => $in->object($key)->whole((string) $i, 0, 255),
            [0, 1, 2],
        );

        return new self($three('low'), $three('high'), $in->whole('middle', 0, 255));
    }

    /** @param list<array<int, int>> $counts how many pixels have each value of 0 to 255: of red, green, blue, and grey (luma of Rec. 709) */
    public static function of(array $counts): self
    {
        [$low, $high] = [[], []];
        [, , , $grey] = $counts + array_fill(0, 4, []);
        foreach ([0, 1, 2] as $channel) {
            $own = $counts[$channel] ?? [];
            $low[] = (int) round(self::OWN * self::under($own, self::BEYOND) + (1 - self::OWN) * self::under($grey, self::BEYOND));
            $high[] = (int) round(self::OWN * self::under($own, 1 - self::BEYOND) + (1 - self::OWN) * self::under($grey, 1 - self::BEYOND));
        }

        return new self($low, $high, self::under($grey, 0.5));
    }

    /**
     * What makes the picture clear.
     *
     * @return array{list<float>, list<float>, float} the values that become black and white, of red, green and blue, 0 to 255; and
     *                                                the exponent to which what lies between is raised, of 1
     */
    public function clearing(): array
    {
        $low = array_map(static fn(int $value): float => self::ENDS * self::end($value), $this->low);
        $high = array_map(static fn(int $value): float => 255 - self::ENDS * self::end(255 - $value), $this->high);
        $grey = static fn(float $red, float $green, float $blue): float => 0.2126 * $red + 0.7152 * $green + 0.0722 * $blue;
        [$black, $white] = [$grey(...$low), $grey(...$high)];
        $middle = ($this->middle - $black) / max(1, $white - $black);
        $good = max(self::GOOD_MIDDLE[0], min(self::GOOD_MIDDLE[1], $middle));
        $middle = max(0.03, min(0.97, $middle));
        $whole = max(0.5, min(1.3, log($good) / log($middle)));

        return [$low, $high, abs($good - $middle) < 1e-9 ? 1.0 : 1 + self::MIDDLE * ($whole - 1)];
    }

    /** How far an end lies from black or white, as far as something is to be done about it. */
    private static function end(int $away): float
    {
        return $away <= self::GOOD_END ? 0.0 : (float) min(self::FURTHEST, $away);
    }

    /**
     * @param array<int, int> $counts
     *
     * @return int the value under which so large a share of the pixels lies
     */
    private static function under(array $counts, float $share): int
    {
        $wanted = $share * array_sum($counts);
        foreach ($counts as $value => $count) {
            $wanted -= $count;
            if ($wanted < 0) {
                return $value;
            }
        }

        return max(0, \count($counts) - 1);
    }

    /** @return array{low: list<int>, high: list<int>, middle: int} */
    public function toArray(): array
    {
        return ['low' => $this->low, 'high' => $this->high, 'middle' => $this->middle];
    }
}
