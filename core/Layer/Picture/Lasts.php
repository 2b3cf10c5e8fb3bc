<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

/** How long a slide that moves and speaks stays: until its clip is over, or its voice. The voice is never cut off. */
enum Lasts: string
{
    case Clip = 'clip';
    case Voice = 'voice';
}
