<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** The three heights at which a caption may stand on its picture. */
enum WordsPlace: string
{
    case Top = 'top';
    case Middle = 'middle';
    case Bottom = 'bottom';
}
