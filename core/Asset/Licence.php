<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

/** What the name of a licence tells, as somebody typed it. */
final class Licence
{
    /**
     * Whether it keeps others from using the work freely: Creative Commons licences with NC or ND, and all rights reserved. All others
     * that Creative Commons makes are "approved for free cultural works" (creativecommons.org/public-domain/freeworks). What is not
     * known is not held against anybody.
     */
    public static function isRestricted(string $name): bool
    {
        $plain = mb_strtolower($name);

        return 1 === preg_match('/\b(nc|nd|non-?\s?commercial|no-?\s?deriv\w*)\b|all rights reserved|©|\(c\)/u', $plain);
    }
}
