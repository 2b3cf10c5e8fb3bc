<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Divides a script into units by Unicode's rules, through ICU: so languages written without spaces are divided too. */
final class Units
{
    private const CLAUSE_END = '/[,;:—–，、；：،؛]["”’»)\]]*$/u';
    /** What the way from one word to the next takes, in letters. */
    private const SPACE = 0.6;

    /** @return list<Unit> */
    public static function of(string $script, string $language): array
    {
        $ends = [];
        $at = 0;
        // A line is a sentence, whatever it ends with: of what is typed by listening, of a verse.
        $lines = array_filter(array_map(
            static fn(string $line): string => trim((string) preg_replace('/\s+/u', ' ', $line)),
            preg_split('/\R/u', $script) ?: [],
        ), static fn(string $line): bool => '' !== $line);
        $script = implode(' ', $lines);
        foreach ($lines as $i => $line) {
            foreach (Breaks::sentences($line . ($i === array_key_last($lines) ? '' : ' '), $language) as $sentence) {
                $at += \strlen($sentence);
                $ends[$at] = true;
            }
        }
        $units = [];
        $at = 0;
        foreach (Breaks::lines($script, $language) as $part) {
            $at += \strlen($part);
            $bare = rtrim($part);
            if ('' === $bare) {
                continue;
            }
            // Most of what is written in most languages is a plain word.
            $plain = ctype_alpha($bare);
            $length = $plain ? \strlen($bare) : mb_strlen($bare);
            $units[] = new Unit($part, $length, \strlen($part) - \strlen($bare), $plain ? $length + self::SPACE : self::weight(
                $bare,
                $length,
            ), match (true) {
                isset($ends[$at]) => Unit::SENTENCE,
                $plain => Unit::WORD,
                1 === preg_match(self::CLAUSE_END, $bare) => Unit::CLAUSE,
                default => Unit::WORD,
            });
        }

        return $units;
    }

    /**
     * How long it takes to say, in letters: a figure is said as a word or two, a sign of Chinese, Japanese or Korean as a
     * syllable. (Common practice: about 15 letters, or 5 syllables, a second.)
     */
    private static function weight(string $text, int $length): float
    {
        if (\strlen($text) === $length) {
            $letters = \strlen((string) preg_replace('/[^a-z]/i', '', $text));

            return max(0.5, $letters + 3.0 * \strlen((string) preg_replace('/\D/', '', $text)) + self::SPACE);
        }
        $signs = (int) preg_match_all('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}]/u', $text);
        $letters = (int) preg_match_all('/\p{L}/u', $text) - $signs;

        return max(0.5, $letters + 3.0 * ($signs + (int) preg_match_all('/\p{N}/u', $text)) + (0 === $signs ? self::SPACE : 0));
    }
}
