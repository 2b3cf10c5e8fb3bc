<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** The three heights at which a caption may stand on its picture. */
enum CaptionPlace: string
{
    case Top = 'top';
    case Middle = 'middle';
    case Bottom = 'bottom';
}
