<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Spot;

/** What words on a slide are for; their size and place follow from it. */
enum WordsRole: string
{
    /** Of a title slide; with no text it is the story's own title. */
    case Title = 'title';
    case Subtitle = 'subtitle';
    /** A fact on a picture. */
    case Caption = 'caption';
    /** Who is seen or heard, and what they are. */
    case Name = 'name';
    /** Names a point of the picture, with a line to it. */
    case Label = 'label';
    /** What somebody said or wrote, and who. */
    case Quotation = 'quotation';

    public function isOnPicture(): bool
    {
        return self::Title !== $this && self::Subtitle !== $this;
    }

    /** @return non-empty-list<Spot> where it may stand that chooses its place itself, the best first */
    public function spots(): array
    {
        return match ($this) {
            self::Name => [Spot::BottomLeft, Spot::BottomRight, Spot::TopLeft, Spot::TopRight],
            self::Label => [Spot::TopLeft, Spot::TopRight, Spot::BottomLeft, Spot::BottomRight, Spot::Top, Spot::Bottom, Spot::Left, Spot::Right],
            self::Quotation => [Spot::Middle, Spot::Top, Spot::Bottom],
            default => [Spot::Bottom, Spot::Top, Spot::Middle],
        };
    }
}
