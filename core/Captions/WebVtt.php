<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

/** Writes cues as W3C WebVTT (https://www.w3.org/TR/webvtt1/). */
final class WebVtt
{
    /** Cue settings for a place at the top (section 3.5). */
    private const HIGH = ' line:6%';

    /** @param list<Cue> $cues */
    public static function write(array $cues, string $language = 'en'): string
    {
        $out = "WEBVTT\nLanguage: {$language}\n";
        foreach ($cues as $cue) {
            $out .= \sprintf(
                "\n%s --> %s%s\n%s\n",
                self::time($cue->start),
                self::time($cue->end),
                $cue->high ? self::HIGH : '',
                self::escape($cue->text),
            );
        }

        return $out;
    }

    /** Hours, minutes, seconds and thousandths of a number of milliseconds. */
    public static function time(int $milliseconds): string
    {
        return \sprintf(
            '%02d:%02d:%02d.%03d',
            intdiv($milliseconds, 3_600_000),
            intdiv($milliseconds, 60_000) % 60,
            intdiv($milliseconds, 1000) % 60,
            $milliseconds % 1000,
        );
    }

    /** Cue text may hold neither markup, nor an arrow, nor an empty line (section 4.1). */
    private static function escape(string $text): string
    {
        $text = str_replace(['&', '<', '>'], ['&amp;', '&lt;', '&gt;'], $text);

        return trim((string) preg_replace('/\n{2,}/', "\n", $text));
    }
}
