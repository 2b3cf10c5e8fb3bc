<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

/** What is heard of a recording beside its voice, and is lowered unless somebody wants it as it was recorded. */
enum Lowered: string
{
    /** Hum, hiss, a fan: what is there all the time. */
    case Noise = 'noise';
    case Breaths = 'breaths';
    /** Of lips and tongue. */
    case Clicks = 'clicks';
}
