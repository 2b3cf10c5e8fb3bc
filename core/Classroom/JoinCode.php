<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

use Random\Randomizer;

/** Six signs on a board by which whoever sees them joins a class, for a while. */
final class JoinCode
{
    /** None that is taken for another, in print or in a hand's writing: no 0 and O, 1, I and L, 2 and Z, 5 and S, 8 and B, U and V. */
    private const SIGNS = 'ACDEFGHJKMNPQRTWXY34679';
    private const LENGTH = 6;
    /** Minutes for which it may be used: a lesson and a break. */
    public const LASTS = 120;

    public static function make(Randomizer $chance): string
    {
        $code = '';
        for ($i = 0; $i < self::LENGTH; ++$i) {
            $code .= self::SIGNS[$chance->getInt(0, \strlen(self::SIGNS) - 1)];
        }

        return $code;
    }

    /** As it is meant, however it was typed. */
    public static function meant(string $typed): string
    {
        return (string) preg_replace('/[^A-Z0-9]+/', '', strtoupper(mb_substr($typed, 0, 100)));
    }
}
