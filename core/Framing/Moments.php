<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

/** When a slide's stops are reached. */
interface Moments
{
    /** Seconds from the frame at which the slide begins to be seen. */
    public function of(Stop $stop): float;
}
