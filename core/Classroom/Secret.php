<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

use Random\Randomizer;
use Rhapsode\Core\Document\Limits;

/**
 * Words that a child of eight reads, remembers and types: three of them are a secret (26 bits, which nobody guesses through a door
 * that slows guessing down), two are what a class is called at the door. Three pictures in a row (12,144 ways, 13 bits) are a
 * weaker secret: sixty tries in an hour, which is all the door lets anybody make, take some hundred hours to find one.
 */
final class Secret
{
    private const OF_CLASS = 2;

    public static function ofOne(Randomizer $chance, CardKind $kind = CardKind::Words): string
    {
        return self::some($kind->signs(), $chance, Limits::SECRET_SIGNS);
    }

    public static function ofClass(Randomizer $chance): string
    {
        return self::some(EasyWords::all(), $chance, self::OF_CLASS);
    }

    /** As it is meant, however it was typed: in capitals, with dashes or more spaces, with marks that a tablet set. */
    public static function meant(string $typed): string
    {
        return trim((string) preg_replace('/[^a-z]+/', ' ', mb_strtolower(mb_substr($typed, 0, 200))));
    }

    /** @param non-empty-list<string> $words */
    private static function some(array $words, Randomizer $chance, int $count): string
    {
        $chosen = [];
        while (\count($chosen) < $count) {
            $word = $words[$chance->getInt(0, \count($words) - 1)];
            if (!\in_array($word, $chosen, true)) {
                $chosen[] = $word;
            }
        }

        return implode(' ', $chosen);
    }
}
