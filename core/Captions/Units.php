<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Words\Breaks;

/** Divides a script into units by Unicode's rules, through ICU: so languages written without spaces are divided too. */
final class Units
{
    private const CLAUSE_END = '/[,;:—–，、；：،؛]["”’»)\]]*$/u';
    private const SENTENCE_END = '/[.!?…。！？؟।]["”’»)\]]*$/u';

    /** @return list<Unit> */
    public static function of(string $script, string $language): array
    {
        $script = trim((string) preg_replace('/\s+/u', ' ', $script));
        $ends = [];
        $at = 0;
        foreach (Breaks::sentences($script, $language) as $sentence) {
            $at += \strlen($sentence);
            $ends[$at] = true;
        }
        $units = [];
        $at = 0;
        foreach (Breaks::lines($script, $language) as $part) {
            $at += \strlen($part);
            $bare = rtrim($part);
            if ('' === $bare) {
                continue;
            }
            $length = mb_strlen($bare);
            $units[] = new Unit($part, $length, \strlen($part) - \strlen($bare), self::weight($bare, $length), match (true) {
                isset($ends[$at]) || 1 === preg_match(self::SENTENCE_END, $bare) && $at === \strlen($script) => Unit::SENTENCE,
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

            return max(0.5, $letters + 3.0 * \strlen((string) preg_replace('/\D/', '', $text)) + 0.6);
        }
        $signs = (int) preg_match_all('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}]/u', $text);
        $letters = (int) preg_match_all('/\p{L}/u', $text) - $signs;

        return max(0.5, $letters + 3.0 * ($signs + (int) preg_match_all('/\p{N}/u', $text)) + (0 === $signs ? 0.6 : 0));
    }
}
