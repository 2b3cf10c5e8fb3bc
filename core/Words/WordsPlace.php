<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Spot;

/** Where a caption may stand on its picture. Auto: the lowest of three heights at which it covers no face. */
enum WordsPlace: string
{
    case Auto = 'auto';
    case TopLeft = 'top-left';
    case Top = 'top';
    case TopRight = 'top-right';
    case Left = 'left';
    case Middle = 'middle';
    case Right = 'right';
    case BottomLeft = 'bottom-left';
    case Bottom = 'bottom';
    case BottomRight = 'bottom-right';

    public function spot(): Spot
    {
        return Spot::tryFrom($this->value) ?? Spot::Bottom;
    }
}
