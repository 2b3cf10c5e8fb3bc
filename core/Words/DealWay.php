<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** How a whole text is dealt over slides. */
enum DealWay: string
{
    /** A part for each: parts lie between empty lines, or under headings (lines that begin with #, which are not read aloud). */
    case Parts = 'parts';
    /** Whole sentences, so that each takes about as long to say. */
    case Evenly = 'evenly';
}
