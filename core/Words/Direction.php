<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Which way a language is read: by its script where its tag names one, else by the script it is commonly written in (Unicode CLDR). */
final class Direction
{
    private const SCRIPTS = ['Arab', 'Hebr', 'Syrc', 'Thaa', 'Nkoo', 'Adlm', 'Rohg'];
    private const LANGUAGES = ['ar', 'arc', 'ckb', 'dv', 'fa', 'he', 'iw', 'ks', 'nqo', 'ps', 'sd', 'syr', 'ug', 'ur', 'yi'];

    /** Whether a text reads from right to left: by its first letter of a direction (UAX #9, P2 and P3). */
    public static function isTextLeftward(string $text): bool
    {
        return 1 === preg_match('/^[^\p{L}]*[\p{Arabic}\p{Hebrew}\p{Syriac}\p{Thaana}\p{Nko}]/u', $text);
    }

    public static function isRightToLeft(string $language): bool
    {
        $script = (string) \Locale::getScript($language);

        return '' !== $script ? \in_array($script, self::SCRIPTS, true) : \in_array(
            \Locale::getPrimaryLanguage($language),
            self::LANGUAGES,
            true,
        );
    }
}
