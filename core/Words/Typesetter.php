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
    /** Between a title and what stands below it, for the ornament. */
    private const BETWEEN = 54;

    /** Names the scheme that it sets words by. */
    public string $key;
    private Fitting $fitting;

    public function __construct(TextWidths $widths, Shape $shape, string $language = 'en', public Scheme $scheme = new Scheme())
    {
        $this->key = hash('xxh64', serialize($scheme));
        $this->fitting = new Fitting($widths, $shape, $language);
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
        OwnPlace $own = new OwnPlace(),
    ): TextBlock {
        return (new OnPicture($this->fitting, $this->scheme))->set($writing, $spot, $taken, $move, $light, $look, $own);
    }

    /** Words in a cell of a slide, on its ground. */
    public function inCell(Writing $writing, Frame $cell, WordsLook $look, ?Align $align): TextBlock
    {
        return (new InCell($this->fitting, $this->scheme))->set($writing, $cell, $look, $align, $this->onGround($look, $this->scheme->ink));
    }

    /**
     * A title slide: its title over an ornament, a subtitle below. The two stand in the middle together.
     *
     * @return array{TextBlock, TextBlock} title and subtitle
     */
    public function title(string $title, string $subtitle, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $above = $this->heading($title, $this->scheme->heading, [72, 62, 54, 46, 40], $look);
        $below = $this->heading($subtitle, $this->scheme->text, [32, 28], $small);
        $top = ($this->fitting->height - $above->height() - self::BETWEEN - $below->height()) / 2;
        $middle = $top + $above->height();

        return [
            $this->block($above->at($this->middle(), $top, $this->onGround($look, $this->scheme->ink)), $this->ornament($middle + 22, 9), $above->fits),
            $this->block($below->at($this->middle(), $middle + self::BETWEEN, $this->onGround($small, $this->scheme->soft)), [], $below->fits),
        ];
    }

    /** @param non-empty-list<int> $sizes usual ones, largest first */
    private function heading(string $text, Type $usual, array $sizes, WordsLook $look): Fitted
    {
        return $this->fitting->fit(
            $text,
            $look->type($usual),
            $this->fitting->safe() - 60,
            $look->size?->andSmaller() ?? $sizes,
            self::LINES,
        );
    }

    /** On it words need no plate: what is not clear of it gets an edge. */
    private function onGround(WordsLook $look, string $colour): Standing
    {
        $ground = Contrast::luminance($this->scheme->ground);

        return Legibility::standing(new WordsLook(colour: $look->colour ?? $colour, backing: match ($look->backing) {
            Backing::Outline, Backing::Shadow => $look->backing,
            default => Backing::None,
        }), $ground, $ground);
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
        $standing = $this->onGround(new WordsLook(), $this->scheme->ink);
        $heading = $this->fitting->fitted([$heading], $this->scheme->heading, 44, true)->at($this->middle(), $edge + 16, $standing);
        $top = $edge + 124;
        $space = $this->fitting->height - $edge - $top;
        $set = [];
        $fits = false;
        foreach ([28, 25, 22, 20, 18] as $size) {
            $set = array_map(fn(string $entry): Fitted => $this->fitting->fitted(
                $this->fitting->lines($entry, $this->scheme->text, $room / $size),
                $this->scheme->text,
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

        return $this->block([...$heading, ...$placed], $this->ornament($edge + 92, 5), $fits);
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

    /** @return list<Plate> */
    private function ornament(float $y, int $count): array
    {
        return $this->scheme->ornament->plates($this->middle(), $y, $count, $this->scheme->accent);
    }
}
