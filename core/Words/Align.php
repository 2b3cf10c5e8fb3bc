<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Where the lines of words begin or end together. */
enum Align: string
{
    case Left = 'left';
    case Center = 'center';
    case Right = 'right';
}
