<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Icon;

/** Finds drawings of the set by words: in a language, where the set has names in it, and in English. */
final class IconSearch
{
    /** Shown before anything is asked for: what stories are told of. */
    private const FIRST = [
        'sun', 'crescent-moon', 'star', 'cloud', 'umbrella-with-rain-drops', 'snowflake', 'fire', 'water-wave', 'deciduous-tree', 'sunflower',
        'bird', 'cat-face', 'dog-face', 'horse-face', 'fish', 'butterfly', 'house', 'school', 'castle', 'sailboat', 'bicycle', 'locomotive',
        'world-map', 'compass', 'key', 'open-book', 'musical-note', 'red-heart', 'light-bulb', 'bread', 'red-apple', 'birthday-cake',
    ];

    /** @return list<array{name: string, label: string}> the best first */
    public static function find(string $words, string $language, int $most): array
    {
        $wanted = self::parts($words);
        $found = [];
        foreach (array_unique([self::known($language), 'en']) as $known) {
            foreach (self::names($known) as [$name, $label, $tags]) {
                $rank = [] === $wanted ? self::rankFirst($name) : self::rank($wanted, self::parts($label), self::parts($tags));
                if (null !== $rank && !isset($found[$name])) {
                    $found[$name] = [$rank, ['name' => $name, 'label' => $label]];
                }
            }
        }
        uasort($found, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return \array_slice(array_column($found, 1), 0, $most);
    }

    private static function rankFirst(string $name): ?int
    {
        $at = array_search($name, self::FIRST, true);

        return false === $at ? null : (int) $at;
    }

    /**
     * @param list<string> $wanted each must be met
     * @param list<string> $label
     * @param list<string> $tags
     *
     * @return int|null the less the better; null where one is not met
     */
    private static function rank(array $wanted, array $label, array $tags): ?int
    {
        $rank = \count($label);
        foreach ($wanted as $word) {
            $is = static fn(string $part): bool => $part === $word;
            $begins = static fn(string $part): bool => str_starts_with($part, $word);
            $rank += match (true) {
                [] !== array_filter($label, $is) => 0,
                [] !== array_filter($tags, $is) => 10,
                [] !== array_filter($label, $begins) => 20,
                [] !== array_filter($tags, $begins) => 30,
                // Scripts without spaces between words.
                mb_strlen($word) > 0 && 1 === preg_match('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}]/u', $word) && str_contains(
                    implode(' ', [...$label, ...$tags]),
                    $word,
                ) => 40,
                default => 1000,
            };
        }

        return $rank >= 1000 ? null : $rank;
    }

    private static function composed(string $text): string
    {
        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return \is_string($composed) ? $composed : $text;
    }

    /** @return list<string> */
    private static function parts(string $text): array
    {
        return array_values(array_filter(
            preg_split('/[^\p{L}\p{N}\p{M}]+/u', mb_strtolower(self::composed($text))) ?: [],
            static fn(string $part): bool => '' !== $part,
        ));
    }

    /** The set's own name of a language: itself, or the one it is a kind of; English where it has neither. */
    private static function known(string $language): string
    {
        $tag = strtolower(str_replace('_', '-', $language));
        $wide = (string) \Locale::getPrimaryLanguage($language);
        $traditional = 'zh' === $wide && 1 === preg_match('/hant|tw|hk|mo/', $tag) ? 'zh-hant' : $wide;
        foreach ([$tag, $traditional, 'no' === $wide || 'nn' === $wide ? 'nb' : $wide] as $one) {
            if (1 === preg_match('/^[a-z-]{2,10}$/D', $one) && is_file(IconDrawings::FOLDER . "/words/{$one}.json")) {
                return $one;
            }
        }

        return 'en';
    }

    /** @return list<array{string, string, string}> name, what it is called, more words */
    private static function names(string $language): array
    {
        $file = IconDrawings::FOLDER . "/words/{$language}.json";

        /** @var list<array{string, string, string}> as make.mjs writes it */
        return is_file($file) ? json_decode((string) file_get_contents($file), true, 4, \JSON_THROW_ON_ERROR) : [];
    }
}
