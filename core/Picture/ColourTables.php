<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Document\Limits;

/**
 * A tone as arithmetic on sRGB values, which is the same wherever it is done: a table for each of red, green and blue, a matrix, and
 * one table for all. The page does the same (web/mend/tables.ts), held by tests/golden/tones.json.
 *
 * Brightness and saturation are those of common practice: luma by ITU-R BT.709, saturation by its weights (W3C Filter Effects 1,
 * "saturate", has the like), an S-curve through the middle for contrast.
 */
final readonly class ColourTables
{
    /** What a full step of each does: halvings of the exponent, share of red and blue, slope in the middle. */
    private const LIGHT = 0.8;
    private const WARMTH = 0.18;
    private const CONTRAST = 0.8;
    private const LUMA = [0.2126, 0.7152, 0.0722];
    private const NONE = [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0];

    /**
     * @param list<list<int>> $in     what each value of red, green and blue becomes before the matrix
     * @param list<float>     $matrix nine numbers, row by row
     * @param list<int>       $out    what each value becomes after it
     */
    private function __construct(public array $in, public array $matrix, public array $out) {}

    /** @param Levels|null $levels of the picture; where they are not known it is not made clear */
    public static function of(Tone $tone, ?Levels $levels = null): self
    {
        return new self(self::before($tone, $levels), self::mixed($tone), self::after($tone));
    }

    /** @return list<list<int>> */
    private static function before(Tone $tone, ?Levels $levels): array
    {
        [$low, $high, $exponent] = $tone->clear && null !== $levels ? $levels->clearing() : [[0.0, 0.0, 0.0], [255.0, 255.0, 255.0], 1.0];
        $exponent *= 2 ** (-self::LIGHT * $tone->light / Limits::TONE);
        $warmth = self::WARMTH * $tone->warmth / Limits::TONE;
        $tables = [];
        foreach ([1 + $warmth, 1.0, 1 - $warmth] as $channel => $factor) {
            for ($i = 0; $i < 256; ++$i) {
                $value = max(0.0, min(1.0, ($i - $low[$channel]) / ($high[$channel] - $low[$channel])));
                $tables[$channel][] = self::level($factor * $value ** $exponent);
            }
        }

        return $tables;
    }

    /** @return list<float> */
    private static function mixed(Tone $tone): array
    {
        $by = 1 + $tone->colour / Limits::TONE;
        $saturation = [];
        foreach ([0, 1, 2] as $row) {
            foreach (self::LUMA as $column => $weight) {
                $saturation[] = (1 - $by) * $weight + ($row === $column ? $by : 0.0);
            }
        }
        if (null === $tone->look) {
            return $saturation;
        }
        $share = $tone->strength / Limits::TONE;
        $look = array_map(
            static fn(float $none, float $whole): float => $none + $share * ($whole - $none),
            self::NONE,
            $tone->look->matrix(),
        );
        $mixed = [];
        foreach ([0, 3, 6] as $row) {
            foreach ([0, 1, 2] as $column) {
                $mixed[] = $look[$row] * $saturation[$column] + $look[$row + 1] * $saturation[3 + $column] + $look[$row + 2] * $saturation[6 + $column];
            }
        }

        return $mixed;
    }

    /** @return list<int> */
    private static function after(Tone $tone): array
    {
        $share = null === $tone->look ? 0.0 : $tone->strength / Limits::TONE;
        $contrast = max(-1.0, min(1.0, $tone->contrast / Limits::TONE + $share * ($tone->look?->contrast() ?? 0.0)));
        [$black, $white] = $tone->look?->ends() ?? [0.0, 1.0];
        [$black, $white] = [$share * $black, 1 + $share * ($white - 1)];
        $slope = 1 + self::CONTRAST * $contrast;
        $table = [];
        for ($i = 0; $i < 256; ++$i) {
            $from = 2 * $i / 255 - 1;
            $to = $slope >= 1 ? ($from < 0 ? -1 : 1) * (1 - (1 - abs($from)) ** $slope) : $from * $slope;
            $table[] = self::level($black + ($white - $black) * (0.5 + 0.5 * $to));
        }

        return $table;
    }

    private static function level(float $value): int
    {
        return (int) floor(255 * max(0.0, min(1.0, $value)) + 0.5);
    }

    public function isPlain(): bool
    {
        $same = range(0, 255);

        return [$same, $same, $same] === $this->in && self::NONE === $this->matrix && $same === $this->out;
    }

    /**
     * What becomes of one colour: what every way of doing it is compared with.
     *
     * @return array{int, int, int}
     */
    public function exact(int $red, int $green, int $blue): array
    {
        [$r, $g, $b] = [$this->in[0][$red] ?? 0, $this->in[1][$green] ?? 0, $this->in[2][$blue] ?? 0];
        $m = $this->matrix;
        $of = fn(int $row): int => $this->out[(int) max(
            0,
            min(255, floor($m[$row] * $r + $m[$row + 1] * $g + $m[$row + 2] * $b + 0.5)),
        )] ?? 0;

        return [$of(0), $of(3), $of(6)];
    }
}
