<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

use Rhapsode\Core\Document\Limits;

/**
 * What somebody is called in a class. No more than a first name is kept of anybody; two of one name are told apart by the first
 * letter of what was written after it, or by a number.
 */
final class FirstName
{
    /** Letters of one as it is read: some are kept free for what tells two of one name apart. */
    public const MOST = Limits::FIRST_NAME - 4;
    /** Letters of a key: some letters are several once they are spelled plainly. */
    private const KEY = 60;

    /**
     * The same people, each with a name of their own.
     *
     * @param list<array{first: string, more: string}> $people
     * @param list<string>                             $taken  names that there are
     *
     * @return list<string>
     */
    public static function apart(array $people, array $taken = []): array
    {
        $used = array_fill_keys(array_map(self::key(...), $taken), true);
        // Of whom there are several already, by whatever each is told apart.
        $known = array_fill_keys(array_map(static fn(string $name): string => self::key(explode(' ', $name)[0]), $taken), true);
        $times = array_count_values(array_map(static fn(array $one): string => self::key($one['first']), $people));
        $apart = [];
        foreach ($people as $one) {
            $isAlone = 1 === $times[self::key($one['first'])] && !isset($used[self::key($one['first'])]) && !isset($known[self::key($one['first'])]);
            $name = $isAlone ? $one['first'] : self::free($one, $used);
            $used[self::key($name)] = true;
            $apart[] = $name;
        }

        return $apart;
    }

    /** Names that are typed alike are one: without regard to capitals, marks on letters and what is between its parts. */
    public static function key(string $name): string
    {
        $plain = \Normalizer::normalize($name, \Normalizer::FORM_KD);

        $bare = mb_strtolower((string) preg_replace('/\p{M}+/u', '', \is_string($plain) ? $plain : $name));

        return mb_substr((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $bare), 0, self::KEY);
    }

    /**
     * @param array{first: string, more: string} $one
     * @param array<string, bool>                $used
     */
    private static function free(array $one, array $used): string
    {
        if (1 === preg_match('/\p{L}/u', $one['more'], $letter)) {
            $name = $one['first'] . ' ' . mb_strtoupper($letter[0]) . '.';
            if (!isset($used[self::key($name)])) {
                return $name;
            }
        }
        for ($number = 1; ; ++$number) {
            $name = 1 === $number ? $one['first'] : "{$one['first']} {$number}";
            if (!isset($used[self::key($name)])) {
                return $name;
            }
        }
    }
}
