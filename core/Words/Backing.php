<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** What makes words stand clear of the picture under them. Auto: nothing where it is clear enough, else a plate. */
enum Backing: string
{
    case Auto = 'auto';
    case Plate = 'plate';
    case Outline = 'outline';
    case Shadow = 'shadow';
    case None = 'none';
}
