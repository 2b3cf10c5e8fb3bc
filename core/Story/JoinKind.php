<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** How one slide gives way to the next. */
enum JoinKind: string
{
    case Crossfade = 'crossfade';
    case Cut = 'cut';
}
