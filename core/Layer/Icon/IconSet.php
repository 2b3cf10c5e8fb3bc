<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Asset\Source;

/** The open set that icons come from besides our own few: whose it is, as its licence asks to be told. */
final class IconSet
{
    /** What its drawings are called. */
    public const NAME = '/^[a-z0-9][a-z0-9-]{0,79}$/D';

    public static function source(): Source
    {
        return new Source('', 'OpenMoji', 'openmoji.org', 'CC BY-SA 4.0');
    }
}
