<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** What stands between a title and the line below it, and under the heading of the credits. Each is made of plates. */
enum Ornament: string
{
    /** Of a thread. */
    case Stitches = 'stitches';
    /** Pressed into clay with a finger's tip. */
    case Dents = 'dents';
    /** Drawn once with chalk. */
    case Stroke = 'stroke';
    /** Cut with a chisel: a deep line over a fine one. */
    case Groove = 'groove';
    /** Of a tin toy. */
    case Rivets = 'rivets';
    /** Of ruled paper. */
    case Rules = 'rules';
    /** Light through the holes of a lantern, smaller towards its sides. */
    case Sparks = 'sparks';
    /** Of a mat, over and under. */
    case Weave = 'weave';

    /**
     * @param float  $x     of its middle; pixels of a frame whose shorter side has 720
     * @param float  $y     of its top; none is higher than 14
     * @param int    $count how long it is, in stitches
     * @param string $colour #rrggbb
     *
     * @return list<Plate>
     */
    public function plates(float $x, float $y, int $count, string $colour): array
    {
        $long = $count * 26.0;
        $plate = static fn(float $middle, float $top, float $wide, float $high, float $radius, float $opacity = 1.0): Plate => new Plate(
            $middle - $wide / 2,
            $top,
            $wide,
            $high,
            $colour,
            $opacity,
            $radius,
        );

        return match ($this) {
            self::Stitches => self::row($x, $count, 26, static fn(float $at): Plate => $plate($at, $y, 16, 5, 2.5)),
            self::Dents => self::row($x, (int) ceil($count / 2), 34, static fn(float $at): Plate => $plate($at, $y - 2, 20, 12, 6)),
            self::Stroke => [$plate($x, $y, $long, 4, 2, 0.85), $plate($x + 9, $y + 6, 0.72 * $long, 2, 1, 0.5)],
            self::Groove => [$plate($x, $y - 1, $long, 5, 0), $plate($x, $y + 8, $long, 1.5, 0)],
            self::Rivets => self::row($x, (int) ceil($count / 1.5), 40, static fn(float $at): Plate => $plate($at, $y - 2, 11, 11, 5.5)),
            self::Rules => [$plate($x, $y - 1, 1.3 * $long, 1.5, 0), $plate($x, $y + 7, 1.3 * $long, 1.5, 0)],
            self::Sparks => self::row($x, $count, 30, static function (float $at, int $i, float $away) use ($plate, $y, $count): Plate {
                $size = max(3.0, 11 - 14 * $away / $count);

                return $plate($at, $y + 4 - $size / 2, $size, $size, $size / 2);
            }),
            self::Weave => self::row($x, 2 * $count, 13, static fn(float $at, int $i): Plate => 0 === $i % 2
                ? $plate($at, $y - 2, 10, 4, 1)
                : $plate($at, $y + 5, 10, 4, 1)),
        };
    }

    /**
     * @param \Closure(float, int, float): Plate $one by its middle, its place, and how many others are between it and the row's middle
     *
     * @return list<Plate>
     */
    private static function row(float $x, int $many, float $apart, \Closure $one): array
    {
        $plates = [];
        for ($i = 0; $i < $many; ++$i) {
            $away = $i - ($many - 1) / 2;
            $plates[] = $one($x + $away * $apart, $i, abs($away));
        }

        return $plates;
    }
}
