<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** Colours as documents tell them: #rrggbb. */
final class Colour
{
    /** @throws Malformed */
    public static function readOrNull(Fields $in, string $key): ?string
    {
        $colour = $in->textOrNull($key, 7);
        if (null !== $colour && 1 !== preg_match('/^#[0-9a-f]{6}$/Di', $colour)) {
            throw new Malformed('document.no-colour');
        }

        return null === $colour ? null : strtolower($colour);
    }
}
