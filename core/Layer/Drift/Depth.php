<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

/** A drift is seen in two depths, of which the nearer is larger and passes faster. */
enum Depth: string
{
    case Far = 'far';
    case Near = 'near';

    /** The one of two figures that is of this depth. */
    public function of(float $far, float $near): float
    {
        return self::Far === $this ? $far : $near;
    }
}
