<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Whether what is written begins alike more than once: then who says it begins alike more than once, and means it. */
final class Refrain
{
    /** Words by which two beginnings are told apart. */
    private const WORDS = 3;

    public static function isIn(string $script, string $language): bool
    {
        $seen = [];
        $units = Units::of($script, $language);
        foreach ($units as $i => $unit) {
            if (0 === $i || Unit::WORD !== $units[$i - 1]->break) {
                $words = array_map(
                    static fn(Unit $word): string => mb_strtolower((string) preg_replace('/[^\p{L}\p{N}\p{M}]+/u', '', $word->text)),
                    \array_slice($units, $i, self::WORDS),
                );
                $begins = implode(' ', $words);
                if (isset($seen[$begins])) {
                    return true;
                }
                $seen[$begins] = true;
            }
        }

        return false;
    }
}
