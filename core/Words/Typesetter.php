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
    private const LINES = 4;
    private const PAPER = '#FBF8F1';
    private const INK = '#20242B';
    private const SOFT = '#5A6070';
    private const THREAD = '#2F3F7F';
    /** Between a title and what stands below it, for the stitches. */
    private const BETWEEN = 54;

    private Fitting $fitting;

    public function __construct(TextWidths $widths, Shape $shape, string $language = 'en')
    {
        $this->fitting = new Fitting($widths, $shape, $language);
    }

    /** The colour of a slide that shows words alone. */
    public static function ground(): string
    {
        return self::PAPER;
    }

    /**
     * Words on a picture.
     *
     * @param list<Frame>     $taken by other words: it stands beside them, where there is room
     * @param LightUnder|null $light what lies under; null for an unknown ground, which is taken to be anything
     */
    public function onPicture(
        Writing $writing,
        Spot $spot,
        array $taken,
        ?Move $move,
        ?LightUnder $light,
        WordsLook $look = new WordsLook(),
    ): TextBlock {
        return (new OnPicture($this->fitting))->set($writing, $spot, $taken, $move, $light, $look);
    }

    /**
     * A title slide: its title over a thread of stitches, a subtitle below. The two stand in the middle together.
     *
     * @return array{TextBlock, TextBlock} title and subtitle
     */
    public function title(string $title, string $subtitle, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $above = $this->heading($title, Face::Reading, [72, 62, 54, 46, 40], $look);
        $below = $this->heading($subtitle, Face::Plain, [32, 28], $small);
        $top = ($this->fitting->height - $above->height() - self::BETWEEN - $below->height()) / 2;
        $middle = $top + $above->height();

        return [
            $this->block($above->at($this->middle(), $top, self::onPaper($look, self::INK)), $this->stitches($middle + 22, 9), $above->fits),
            $this->block($below->at($this->middle(), $middle + self::BETWEEN, self::onPaper($small, self::SOFT)), [], $below->fits),
        ];
    }

    /** @param non-empty-list<int> $sizes usual ones, largest first */
    private function heading(string $text, Face $face, array $sizes, WordsLook $look): Fitted
    {
        return $this->fitting->fit(
            $text,
            $look->face ?? $face,
            $this->fitting->safe() - 60,
            $look->size?->andSmaller() ?? $sizes,
            self::LINES,
        );
    }

    /** On paper words need no plate: what is too pale for it gets an edge. */
    private static function onPaper(WordsLook $look, string $colour): Standing
    {
        $paper = Contrast::luminance(self::PAPER);

        return Legibility::standing(new WordsLook(colour: $look->colour ?? $colour, backing: match ($look->backing) {
            Backing::Outline, Backing::Shadow => $look->backing,
            default => Backing::None,
        }), $paper, $paper);
    }

    /**
     * A page of credits.
     *
     * @param list<string> $entries
     */
    public function credits(string $heading, array $entries): TextBlock
    {
        $room = $this->fitting->safe() - 40;
        $edge = $this->fitting->height * Spot::EDGE;
        $standing = new Standing(self::INK);
        $heading = $this->fitting->fitted([$heading], Face::Reading, 44, true)->at($this->middle(), $edge + 16, $standing);
        $top = $edge + 124;
        $space = $this->fitting->height - $edge - $top;
        $set = [];
        $fits = false;
        foreach ([28, 25, 22, 20, 18] as $size) {
            $set = array_map(fn(string $entry): Fitted => $this->fitting->fitted(
                $this->fitting->lines($entry, Face::Plain, $room / $size),
                Face::Plain,
                $size,
                true,
            ), $entries);
            if (array_sum(array_map(static fn(Fitted $entry): float => $entry->height() + $size * 0.5, $set)) <= $space) {
                $fits = true;
                break;
            }
        }
        $placed = [];
        foreach ($set as $entry) {
            array_push($placed, ...$entry->at($this->middle(), $top, $standing));
            $top += $entry->height() + $entry->size * 0.5;
        }

        return $this->block([...$heading, ...$placed], $this->stitches($edge + 92, 5), $fits);
    }

    private function middle(): float
    {
        return $this->fitting->width / 2;
    }

    /**
     * @param list<Line>  $lines
     * @param list<Plate> $plates
     */
    private function block(array $lines, array $plates, bool $fits): TextBlock
    {
        return new TextBlock($this->fitting->width, $this->fitting->height, $lines, $plates, $fits);
    }

    /** @return list<Plate> a short run of stitches, centred */
    private function stitches(float $y, int $count): array
    {
        $x = $this->middle();
        $plates = [];
        for ($i = 0; $i < $count; ++$i) {
            $plates[] = new Plate($x + ($i - ($count - 1) / 2) * 26 - 8, $y, 16, 5, self::THREAD, 1.0, 2.5);
        }

        return $plates;
    }
}
