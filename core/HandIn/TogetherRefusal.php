<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** Why those who make a story together stay as they are. */
enum TogetherRefusal: string
{
    case Full = 'full';
    case HandedIn = 'handed-in';
    case Last = 'last';
}
