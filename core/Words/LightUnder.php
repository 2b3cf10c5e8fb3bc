<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Frame;

/** The darkest and brightest relative luminance (WCAG) found in parts of an upright picture. */
interface LightUnder
{
    /** @return array{float, float} darkest and brightest, 0 to 1 */
    public function under(Frame $part): array;
}
