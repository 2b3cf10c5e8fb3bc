<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** How what lies in the cells of a slide comes. */
enum Sequence: string
{
    case Together = 'together';
    /** One after another, each after as much of the slide's time. */
    case Evenly = 'evenly';
    /** One after another as the script is said, each with a sentence where there are enough of them. */
    case Spoken = 'spoken';
}
