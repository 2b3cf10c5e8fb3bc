<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** How one slide gives way to the next. */
enum TransitionKind: string
{
    case Crossfade = 'crossfade';
    case Cut = 'cut';
    /** The one fades into a dark colour, and the next out of it: time has passed. */
    case ThroughDark = 'through-dark';
    case ThroughLight = 'through-light';
    /** The next is laid over the one along a soft edge, the way the language is read: we go on. */
    case Sweep = 'sweep';
    /** The same from below: something comes up. */
    case Rise = 'rise';
}
