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

    /** Sets the credits. */
    public function credits(): CreditsText
    {
        return new CreditsText($this->fitting, $this->scheme, $this->headings()->standing(new WordsLook(), $this->scheme->ink));
    }
}
