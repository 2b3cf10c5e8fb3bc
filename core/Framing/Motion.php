<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

/** Auto: a slow move chosen by the plan. Still: none. Set: from the slide's own opening frame to its closing frame. */
enum Motion: string
{
    case Auto = 'auto';
    case Still = 'still';
    case Set = 'set';
}
