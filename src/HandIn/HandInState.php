<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

enum HandInState: string
{
    case HandedIn = 'handed in';
    case Returned = 'returned';
    case Accepted = 'accepted';
}
