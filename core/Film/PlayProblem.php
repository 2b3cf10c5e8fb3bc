<?php

declare(strict_types=1);

namespace Rhapsode\Core\Film;

/** Why a film does not play as it should. */
enum PlayProblem: string
{
    /** Its file cannot be read to its end. */
    case Unreadable = 'unreadable';
    case Picture = 'picture';
    case Sound = 'sound';
    case Captions = 'captions';
}
