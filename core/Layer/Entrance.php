<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/** How something comes to be seen. But for the first, all go softly. */
enum Entrance: string
{
    case AtOnce = 'at-once';
    case Fade = 'fade';
    /** It comes up from below, as if from behind an edge. */
    case Rise = 'rise';
    /** Line by line, the way its language is written. */
    case Written = 'written';
}
