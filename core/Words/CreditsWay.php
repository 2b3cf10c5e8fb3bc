<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** How the sources are shown at the end of the film. */
enum CreditsWay: string
{
    /** A few at a time, page after page. */
    case Pages = 'pages';
    /** All below each other, passing upwards. */
    case Roll = 'roll';
}
