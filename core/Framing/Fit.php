<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

/** Fill: the picture covers the whole slide and loses its overhang. Whole: all of it is seen, on a ground made from it. */
enum Fit: string
{
    case Fill = 'fill';
    case Whole = 'whole';
    /** Fill, unless more than two fifths of the picture would be lost: an upright photo keeps its heads. */
    case Auto = 'auto';
}
