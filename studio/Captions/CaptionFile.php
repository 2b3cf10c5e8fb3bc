<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Captions;

use Captioning\Cue;
use Captioning\Format\SubripFile;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * Reads a file of captions: W3C WebVTT or SubRip, told apart by content. ffmpeg's readers forgive what people's files
 * have (numbers out of order, other line ends, styles); what they give is then read strictly.
 */
final class CaptionFile
{
    public const MOST_BYTES = 2_000_000;
    /** Bytes: many times what anybody reads in one line of captions, and what a whole spoken hour is as one paragraph. */
    private const LONGEST_CAPTION = 8_000;
    private const LONGEST_PARAGRAPH = 80_000;

    /** Whether the text has times in it; without them it is a plain transcript. */
    public static function isTimed(string $text): bool
    {
        return str_contains($text, '-->');
    }

    /** The text of a file in whatever encoding people have, with plain line ends. @throws Unreadable */
    public static function text(string $bytes): string
    {
        if (\strlen($bytes) > self::MOST_BYTES) {
            throw new Unreadable('captions.too-large');
        }
        $encoding = match (true) {
            str_starts_with($bytes, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($bytes, "\xFE\xFF") => 'UTF-16BE',
            mb_check_encoding($bytes, 'UTF-8') => 'UTF-8',
            default => 'Windows-1252',
        };
        if (str_contains(substr($bytes, 0, 1000), "\0") && !str_starts_with($encoding, 'UTF-16')) {
            throw new Unreadable('captions.no-text');
        }

        $text = str_replace(["\u{FEFF}", "\r\n", "\r"], ['', "\n", "\n"], mb_convert_encoding($bytes, 'UTF-8', $encoding));
        $longest = max([0, ...array_map(strlen(...), explode("\n", $text))]);
        if ($longest > (self::isTimed($text) ? self::LONGEST_CAPTION : self::LONGEST_PARAGRAPH)) {
            throw new Unreadable('captions.line-too-long');
        }

        return $text;
    }

    /** Without the styles that both formats know; any other angle brackets are what somebody says. */
    private static function plain(string $text): string
    {
        return (string) preg_replace(['/\{\\\\[^}]*\}/', '#</?(?:i|b|u|s|c|v|font|ruby|rt|lang)(?:[\s.][^>]*)?>#i'], '', $text);
    }

    /**
     * @return list<TimedCaption>
     *
     * @throws Unreadable
     */
    public static function read(string $bytes): array
    {
        $text = self::text($bytes);
        $scratch = new Scratch();
        file_put_contents($scratch->path('captions'), $text);
        try {
            [$plain] = Tool::ffmpeg([
                '-v', 'error', '-f', str_starts_with($text, 'WEBVTT') ? 'webvtt' : 'srt', '-i',
                $scratch->path('captions'), '-f', 'srt', '-',
            ], 30);
            $file = new SubripFile(_requireStrictFileFormat: false);
            $file->loadFromString(trim($plain) . "\n");
        } catch (ToolFailed|\Exception $problem) {
            throw new Unreadable('captions.unreadable', previous: $problem);
        }
        $captions = [];
        foreach ($file->getCues() ?? [] as $cue) {
            if (!$cue instanceof Cue) {
                continue;
            }
            $words = trim(html_entity_decode(self::plain($cue->getText()), \ENT_QUOTES | \ENT_HTML5, 'UTF-8'));
            [$start, $end] = [(int) round($cue->getStartMS()), (int) round($cue->getStopMS())];
            if ('' !== $words && $end > $start) {
                $captions[] = TimedCaption::read(
                    Fields::of(['start' => $start, 'end' => $end, 'text' => mb_substr($words, 0, Limits::TIMED_CAPTION)]),
                );
            }
        }
        if ([] === $captions || \count($captions) > Limits::TIMED_CAPTIONS) {
            throw new Unreadable([] === $captions ? 'captions.none' : 'captions.too-many');
        }

        return $captions;
    }
}
