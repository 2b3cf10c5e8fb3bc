<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

/**
 * Places words on a slide. They never leave the safe area (5 % of each side: graphics safe area of EBU R 95), wrap into
 * even lines, and are set smaller only down to a size that can still be read.
 */
final readonly class Typesetter
{
    public const SAFE = 0.05;
    private const LEADING = 1.28;
    private const CAPTION_SIZES = [40, 36, 32, 28];
    private const CAPTION_LINES = 4;
    private const PAPER = '#FBF8F1';
    private const INK = '#20242B';
    private const SOFT = '#5A6070';
    private const THREAD = '#2F3F7F';

    private int $width;
    private int $height;

    public function __construct(private TextWidths $widths, private Shape $shape, private string $language = 'en')
    {
        $this->height = $shape->height(TextBlock::SHORTER);
        $this->width = $shape->width($this->height);
    }

    /** The colour of a slide that shows words alone. */
    public static function ground(): string
    {
        return self::PAPER;
    }

    /** @param LightUnder|null $light what lies under; null for an unknown ground, which is taken to be anything */
    public function caption(string $text, WordsPlace $at, ?Move $move, ?LightUnder $light): TextBlock
    {
        $text = trim($text);
        if ('' === $text) {
            return TextBlock::bare($this->shape);
        }
        $room = $this->width * (1 - 2 * self::SAFE) - 40;
        [$lines, $size, $fits] = $this->fit($text, Face::Plain, $room, self::CAPTION_SIZES, self::CAPTION_LINES);
        $leading = $size * self::LEADING;
        $height = \count($lines) * $leading;
        $edge = $this->height * self::SAFE;
        $top = match ($at) {
            WordsPlace::Top => $edge + 14,
            WordsPlace::Middle => ($this->height - $height) / 2,
            WordsPlace::Auto, WordsPlace::Bottom => $this->height - $edge - 14 - $height,
        };
        $top = max($edge + 14, $top);
        $measured = array_map(fn(string $line): float => $this->widths->width($line, Face::Plain) * $size, $lines);
        $widest = max([0.0, ...$measured]);
        $plate = new Plate(
            max($this->width * self::SAFE, ($this->width - $widest) / 2 - 20),
            $top - 12,
            min($this->width * (1 - 2 * self::SAFE), $widest + 40),
            $height + 24,
            Legibility::DARK,
            0,
        );
        [$colour, $opacity] = $this->legible($plate, $move, $light);
        $placed = [];
        foreach ($lines as $i => $line) {
            $placed[] = new Line($line, Face::Plain, $this->width / 2, $top + $i * $leading, $size, $colour, 'center', $measured[$i]);
        }
        $plates = $opacity > 0 ? [new Plate($plate->x, $plate->y, $plate->width, $plate->height, $plate->colour, $opacity)] : [];

        return new TextBlock($this->width, $this->height, $placed, $plates, $fits);
    }

    /**
     * A title slide: its title over a thread of stitches, a subtitle below. The two stand in the middle together.
     *
     * @return array{TextBlock, TextBlock} title and subtitle
     */
    public function title(string $title, string $subtitle): array
    {
        $room = $this->width * (1 - 2 * self::SAFE) - 60;
        $title = trim($title);
        $subtitle = trim($subtitle);
        [$lines, $size, $fits] = '' === $title ? [[], 72, true] : $this->fit($title, Face::Reading, $room, [72, 62, 54, 46, 40], 4);
        [$small, $smallSize, $smallFits] = '' === $subtitle ? [[], 32, true] : $this->fit($subtitle, Face::Plain, $room, [32, 28], 4);
        $height = \count($lines) * $size * self::LEADING + 54 + \count($small) * $smallSize * self::LEADING;
        $y = ($this->height - $height) / 2;
        $set = function (array $lines, Face $face, float $size, string $colour) use (&$y): array {
            $placed = [];
            foreach ($lines as $line) {
                \assert(\is_string($line));
                $placed[] = $this->centred($line, $face, $y, $size, $colour);
                $y += $size * self::LEADING;
            }

            return $placed;
        };
        $above = $set($lines, Face::Reading, $size, self::INK);
        $stitches = $this->stitches($this->width / 2, $y + 22, 9);
        $y += 54;

        return [
            new TextBlock($this->width, $this->height, $above, $stitches, $fits),
            new TextBlock($this->width, $this->height, $set($small, Face::Plain, $smallSize, self::SOFT), [], $smallFits),
        ];
    }

    /**
     * A page of credits.
     *
     * @param list<string> $entries
     */
    public function credits(string $heading, array $entries): TextBlock
    {
        $room = $this->width * (1 - 2 * self::SAFE) - 40;
        $edge = $this->height * self::SAFE;
        $placed = [$this->centred($heading, Face::Reading, $edge + 16, 44, self::INK)];
        $plates = $this->stitches($this->width / 2, $edge + 92, 5);
        $top = $edge + 124;
        $space = $this->height - $edge - $top;
        $set = [];
        $size = 18.0;
        $fits = false;
        foreach ([28, 25, 22, 20, 18] as $try) {
            $set = [];
            foreach ($entries as $entry) {
                $set[] = (new LineBreaker($this->widths, $this->language))->lines($entry, Face::Plain, $room / $try);
            }
            $size = (float) $try;
            $rows = array_sum(array_map(\count(...), $set));
            if ($rows * $try * self::LEADING + \count($entries) * $try * 0.5 <= $space) {
                $fits = true;
                break;
            }
        }
        $y = $top;
        foreach ($set as $lines) {
            foreach ($lines as $line) {
                $placed[] = $this->centred($line, Face::Plain, $y, $size, self::INK);
                $y += $size * self::LEADING;
            }
            $y += $size * 0.5;
        }

        return new TextBlock($this->width, $this->height, $placed, $plates, $fits);
    }

    private function centred(string $text, Face $face, float $y, float $size, string $colour): Line
    {
        return new Line($text, $face, $this->width / 2, $y, $size, $colour, 'center', $this->widths->width($text, $face) * $size);
    }

    /** @return list<Plate> a short run of stitches, centred */
    private function stitches(float $x, float $y, int $count): array
    {
        $plates = [];
        for ($i = 0; $i < $count; ++$i) {
            $plates[] = new Plate($x + ($i - ($count - 1) / 2) * 26 - 8, $y, 16, 5, self::THREAD, 1.0, 2.5);
        }

        return $plates;
    }

    /**
     * @param non-empty-list<int> $sizes largest first
     *
     * @return array{list<string>, float, bool} lines, size, whether they fit at a readable size
     */
    private function fit(string $text, Face $face, float $room, array $sizes, int $most): array
    {
        $breaker = new LineBreaker($this->widths, $this->language);
        $lines = [];
        $size = 0;
        foreach ($sizes as $size) {
            $lines = $breaker->lines($text, $face, $room / $size);
            if (\count($lines) <= $most) {
                return [$lines, (float) $size, true];
            }
        }
        // Nothing is cut off: what is too long is set smaller still, and Proof says so.
        $tall = $this->height * (1 - 2 * self::SAFE) - 28;
        while (\count($lines) * $size * self::LEADING > $tall && $size > 8) {
            $lines = $breaker->lines($text, $face, $room / --$size);
        }

        return [$lines, (float) $size, false];
    }

    /** @return array{string, float} */
    private function legible(Plate $area, ?Move $move, ?LightUnder $light): array
    {
        if (null === $light || null === $move) {
            return Legibility::choose(0.0, 1.0);
        }
        $part = Frame::about(
            ($area->x + $area->width / 2) / $this->width,
            ($area->y + $area->height / 2) / $this->height,
            $area->width / $this->width,
            $area->height / $this->height,
        );

        return Legibility::choose(...$light->under($move->under($part)));
    }
}
