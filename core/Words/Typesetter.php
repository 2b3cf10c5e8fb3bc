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
    /** Names the scheme that it sets words by. */
    public string $key;
    private Fitting $fitting;

    public function __construct(private TextWidths $widths, Shape $shape, private string $language = 'en', public Scheme $scheme = new Scheme())
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
        return (new InCell($this->fitting, $this->scheme))->set($writing, $cell, $look, $align, $this->headings()->standing($look, $this->scheme->ink));
    }

    /** The same in another scheme. */
    public function in(Scheme $scheme): self
    {
        return new self($this->widths, $this->fitting->shape, $this->language, $scheme);
    }

    /** Sets slides of words alone. */
    public function headings(): Headings
    {
        return new Headings($this->fitting, $this->scheme, Direction::isRightToLeft($this->language));
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
        $standing = $this->headings()->standing(new WordsLook(), $this->scheme->ink);
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
