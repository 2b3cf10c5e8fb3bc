<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Where text may be divided, by Unicode's rules (UAX #14 for lines, UAX #29 for sentences) through ICU. */
final class Breaks
{
    /** @var array<string, \IntlBreakIterator|null> made once: making one costs more than using it */
    private static array $made = [];

    /** @return list<string> pieces that joined give the text again, each with the spaces that follow it */
    public static function lines(string $text, string $language): array
    {
        return self::parts(self::$made['line ' . $language] ??= \IntlBreakIterator::createLineInstance($language), $text);
    }

    /** @return list<string> */
    public static function sentences(string $text, string $language): array
    {
        return self::parts(self::$made['sentence ' . $language] ??= \IntlBreakIterator::createSentenceInstance($language), $text);
    }

    /** @return list<string> */
    private static function parts(?\IntlBreakIterator $breaks, string $text): array
    {
        if (null === $breaks) {
            return [$text];
        }
        $breaks->setText($text);
        $parts = [];
        $from = $breaks->first();
        while (\IntlBreakIterator::DONE !== $to = $breaks->next()) {
            $parts[] = substr($text, $from, $to - $from);
            $from = $to;
        }

        return $parts;
    }
}
