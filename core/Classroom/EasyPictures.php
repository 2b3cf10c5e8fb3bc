<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/**
 * Pictures for the secrets of those who do not read yet, each by what it is called in the set of icons that ships: things that a
 * child of five names at sight, none of them mistaken for another.
 */
final class EasyPictures
{
    private const PICTURES = 'balloon banana bell bread carrot cat cherries dog drum fish horse house key owl pear rainbow sailboat snail star sun sunflower train turtle umbrella';

    /** @return non-empty-list<string> in the order in which they are offered */
    public static function all(): array
    {
        return explode(' ', self::PICTURES);
    }
}
