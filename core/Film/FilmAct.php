<?php

declare(strict_types=1);

namespace Rhapsode\Core\Film;

enum FilmAct
{
    /** Its segments are ordered. */
    case Begin;
    /** All of its segments are there. */
    case Concatenate;
    case Succeed;
    /** Every try has failed. */
    case Fail;
    case Cancel;
    /** It was played, and does not play to its end. */
    case Spoil;
}
