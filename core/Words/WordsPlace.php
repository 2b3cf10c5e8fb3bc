<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** The three heights at which a caption may stand on its picture. Auto: the lowest of them at which it covers no face. */
enum WordsPlace: string
{
    case Auto = 'auto';
    case Top = 'top';
    case Middle = 'middle';
    case Bottom = 'bottom';
}
