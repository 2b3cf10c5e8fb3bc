<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** What somebody said, between the quotation marks of its language (Unicode CLDR, through ICU). */
final class Quotation
{
    private const MARKS = '/^[\p{Pi}\p{Pf}\p{Ps}"\x{201E}\x{201A}\x{300C}]/u';

    /** As it is where it has marks already. */
    public static function marked(string $text, string $language): string
    {
        $text = trim($text);
        if ('' === $text || 1 === preg_match(self::MARKS, $text)) {
            return $text;
        }
        $delimiters = \ResourceBundle::create($language, 'ICUDATA')?->get('delimiters');
        $mark = static function (string $key, string $usual) use ($delimiters): string {
            $told = $delimiters instanceof \ResourceBundle ? $delimiters->get($key) : null;

            return \is_string($told) ? $told : $usual;
        };

        return $mark('quotationStart', '“') . $text . $mark('quotationEnd', '”');
    }
}
