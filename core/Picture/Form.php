<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

/** Full: the picture as large as a film can need it. Whole: all of it, on its ground, in the film's shape. */
enum Form: string
{
    case Full = 'full';
    case Whole = 'whole';
}
