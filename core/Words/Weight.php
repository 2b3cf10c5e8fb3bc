<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** How heavy letters are. What is not told is semibold: it stands clear on pictures. */
enum Weight: string
{
    case Regular = 'regular';
    case Semibold = 'semibold';
    case Bold = 'bold';
}
