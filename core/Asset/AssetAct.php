<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

enum AssetAct
{
    /** All its parts are here. */
    case Finish;
    case Begin;
    case Succeed;
    case Refuse;
}
