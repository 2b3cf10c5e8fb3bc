<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;

/**
 * Places words on a slide. They never leave the safe area (5 % of each side: graphics safe area of EBU R 95), wrap into
 * even lines, and are set smaller only down to a size that can still be read.
 */
final readonly class Typesetter
{
    public const SAFE = Spot::EDGE;
    private const LEADING = 1.28;
    /** Between the edge of the safe area and words on a plate. */
    private const MARGIN = 20;
    private const OVER = 12;
    /** Between two blocks of words. */
    private const APART = 10;
    /** As much of the safe area's width words at a side take at most: they leave the picture its middle. */
    private const ASIDE = 0.55;
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

    /**
     * @param list<Frame>     $taken by other words: it stands beside them, where there is room
     * @param LightUnder|null $light what lies under; null for an unknown ground, which is taken to be anything
     */
    public function caption(
        string $text,
        Spot $spot,
        array $taken,
        ?Move $move,
        ?LightUnder $light,
        WordsLook $look = new WordsLook(),
    ): TextBlock {
        $text = trim($text);
        if ('' === $text) {
            return TextBlock::bare($this->shape);
        }
        $face = $look->face ?? Face::Plain;
        $safe = $this->width * (1 - 2 * self::SAFE);
        [$lines, $size, $fits] = $this->fit(
            $text,
            $face,
            $safe * (0 === $spot->across() ? 1.0 : self::ASIDE) - 2 * self::MARGIN,
            $look->size?->andSmaller() ?? self::CAPTION_SIZES,
            self::CAPTION_LINES,
        );
        $leading = $size * self::LEADING;
        $height = \count($lines) * $leading;
        $edge = $this->height * self::SAFE + 14;
        $top = max($edge, match ($spot->down()) {
            -1 => $edge,
            0 => ($this->height - $height) / 2,
            default => $this->height - $edge - $height,
        });
        $measured = array_map(fn(string $line): float => $this->widths->width($line, $face) * $size, $lines);
        $widest = max([0.0, ...$measured]);
        [$align, $x, $left] = match ($spot->across()) {
            -1 => ['left', $this->width * self::SAFE + self::MARGIN, $this->width * self::SAFE],
            1 => ['right', $this->width * (1 - self::SAFE) - self::MARGIN, $this->width * (1 - self::SAFE) - $widest - 2 * self::MARGIN],
            default => ['center', $this->width / 2, ($this->width - $widest) / 2 - self::MARGIN],
        };
        [$left, $wide] = [max($this->width * self::SAFE, $left), min($safe, $widest + 2 * self::MARGIN)];
        $free = $this->free($left, $wide, $top - TextBlock::AIR, $height + 2 * TextBlock::AIR, $spot->down() <= 0, $taken);
        $top = null === $free ? $top : $free + TextBlock::AIR;
        $plate = new Plate($left, $top - self::OVER, $wide, $height + 2 * self::OVER, Legibility::DARK, 0);
        $standing = $this->standing($look, $plate, $move, $light);
        $placed = [];
        foreach ($lines as $i => $line) {
            $placed[] = Line::standing($standing, $line, $face, $x, $top + $i * $leading, $size, $align, $measured[$i]);
        }

        return new TextBlock($this->width, $this->height, $placed, null === $standing->plate ? [] : [
            new Plate($plate->x, $plate->y, $plate->width, $plate->height, $standing->plate, $standing->opacity),
        ], $fits && null !== $free);
    }

    /**
     * Where a block may begin without lying on what is taken: there, or as near as there is room, first in one direction, then in the other.
     *
     * @param list<Frame> $taken
     *
     * @return float|null its top; null where there is no room for it
     */
    private function free(float $left, float $width, float $top, float $height, bool $downwards, array $taken): ?float
    {
        // The air about words may lie beyond the safe area, they may not.
        $edge = $this->height * self::SAFE + 14 - TextBlock::AIR;
        foreach ([$downwards, !$downwards] as $down) {
            $at = $top;
            // Each step passes one of them.
            for ($i = 0; $i <= \count($taken) && $at >= $edge - 1e-6 && $at + $height <= $this->height - $edge + 1e-6; ++$i) {
                $box = new Frame($left / $this->width, $at / $this->height, $width / $this->width, $height / $this->height);
                $met = array_filter($taken, static fn(Frame $other): bool => $box->shared($other) > 0);
                if ([] === $met) {
                    return $at;
                }
                $at = $down
                    ? max(array_map(fn(Frame $other): float => ($other->y + $other->height) * $this->height, $met)) + self::APART
                    : min(array_map(fn(Frame $other): float => $other->y * $this->height, $met)) - self::APART - $height;
            }
        }

        return null;
    }

    /**
     * A title slide: its title over a thread of stitches, a subtitle below. The two stand in the middle together.
     *
     * @return array{TextBlock, TextBlock} title and subtitle
     */
    public function title(string $title, string $subtitle, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $above = $this->heading(trim($title), Face::Reading, [72, 62, 54, 46, 40], self::INK, $look);
        $below = $this->heading(trim($subtitle), Face::Plain, [32, 28], self::SOFT, $small);
        $top = ($this->height - $above->height() - 54 - $below->height()) / 2;
        $middle = $top + $above->height();
        $stitches = $this->stitches($this->width / 2, $middle + 22, 9);

        return [
            new TextBlock($this->width, $this->height, $above->at($this->width / 2, $top), $stitches, $above->fits),
            new TextBlock($this->width, $this->height, $below->at($this->width / 2, $middle + 54), [], $below->fits),
        ];
    }

    /** @param non-empty-list<int> $sizes usual ones, largest first */
    private function heading(string $text, Face $face, array $sizes, string $colour, WordsLook $look): CentredLines
    {
        $face = $look->face ?? $face;
        $sizes = $look->size?->andSmaller() ?? $sizes;
        [$lines, $size, $fits] = '' === $text
            ? [[], $sizes[0], true]
            : $this->fit($text, $face, $this->width * (1 - 2 * self::SAFE) - 60, $sizes, self::CAPTION_LINES);
        $paper = Contrast::luminance(self::PAPER);
        $told = new WordsLook(colour: $look->colour ?? $colour, backing: match ($look->backing) {
            Backing::Outline, Backing::Shadow => $look->backing,
            // On paper words need no plate: what is too pale for it gets an edge.
            default => Backing::None,
        });

        return new CentredLines(
            $lines,
            array_map(fn(string $line): float => $this->widths->width($line, $face) * $size, $lines),
            $face,
            $size,
            $size * self::LEADING,
            Legibility::standing($told, $paper, $paper),
            $fits,
        );
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

    private function standing(WordsLook $look, Plate $area, ?Move $move, ?LightUnder $light): Standing
    {
        if (null === $light || null === $move) {
            return Legibility::standing($look, 0.0, 1.0);
        }
        $part = Frame::about(
            ($area->x + $area->width / 2) / $this->width,
            ($area->y + $area->height / 2) / $this->height,
            $area->width / $this->width,
            $area->height / $this->height,
        );

        return Legibility::standing($look, ...$light->under($move->under($part)));
    }
}
