<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/**
 * What a picture's metadata says of whose it is and of what it shows: Exif 2.32 (ImageDescription, Artist, Copyright), IPTC-IIM 4.2
 * (2:05 object name, 2:80 by-line, 2:116 copyright notice, 2:120 caption) and XMP (Dublin Core title, creator, rights,
 * description). The first that says something counts. It is somebody's word for it, so it is only offered.
 */
final class Metadata
{
    private const MOST = 2_000_000;

    public static function source(string $path): Source
    {
        [$xmp, $iptc, $exif] = self::told($path);

        return Source::read(Fields::of([
            'title' => self::first(Limits::SOURCE_TITLE, $xmp['title'] ?? null, $iptc['2#005'] ?? null, self::written($exif)),
            'author' => self::first(Limits::SOURCE_AUTHOR, $xmp['creator'] ?? null, $iptc['2#080'] ?? null, $exif['Artist'] ?? null),
            'licence' => self::first(Limits::SOURCE_LICENCE, $xmp['rights'] ?? null, $iptc['2#116'] ?? null, $exif['Copyright'] ?? null),
        ]));
    }

    /** What it shows, in the words of whoever described it; empty where nobody did. */
    public static function description(string $path): string
    {
        [$xmp, $iptc, $exif] = self::told($path);

        return self::first(Limits::WORDS, $xmp['description'] ?? null, $iptc['2#120'] ?? null, self::written($exif));
    }

    /** @return array{array<string, string>, array<string, string>, array<mixed>} XMP, IPTC, Exif */
    private static function told(string $path): array
    {
        $bytes = (string) file_get_contents($path, length: self::MOST);
        $hasExif = str_starts_with($bytes, "\xFF\xD8") || str_starts_with($bytes, 'II*') || str_starts_with($bytes, 'MM');
        $exif = $hasExif ? @exif_read_data($path, 'IFD0') : false;

        return [self::xmp($bytes), self::iptc($path), \is_array($exif) ? $exif : []];
    }

    /**
     * Many cameras write their own name where the description of the picture would stand (common practice).
     *
     * @param array<mixed> $exif
     */
    private static function written(array $exif): ?string
    {
        $said = $exif['ImageDescription'] ?? null;

        return \is_string($said) && 1 === preg_match('/\p{Ll}|[^\x00-\x7F]/u', mb_scrub($said)) ? $said : null;
    }

    private static function first(int $most, mixed ...$said): string
    {
        foreach ($said as $text) {
            if (!\is_string($text)) {
                continue;
            }
            $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
            $text = trim((string) preg_replace('/[\s\x00]+/u', ' ', $text));
            if ('' !== $text) {
                return mb_substr($text, 0, $most);
            }
        }

        return '';
    }

    /** @return array<string, string> */
    private static function iptc(string $path): array
    {
        $info = [];
        @getimagesize($path, $info);
        $parsed = \is_array($info) && \is_string($info['APP13'] ?? null) ? @iptcparse($info['APP13']) : false;

        return array_map(
            static fn(array $values): string => \is_string($values[0] ?? null) ? $values[0] : '',
            array_filter(\is_array($parsed) ? $parsed : [], is_array(...)),
        );
    }

    /**
     * Read as XML without entities and without anything from elsewhere.
     *
     * @return array<string, string>
     */
    private static function xmp(string $bytes): array
    {
        $from = strpos($bytes, '<x:xmpmeta');
        $to = false === $from ? false : strpos($bytes, '</x:xmpmeta>', $from);
        if (false === $from || false === $to) {
            return [];
        }
        $document = new \DOMDocument();
        if (!@$document->loadXML(
            substr($bytes, $from, $to - $from + \strlen('</x:xmpmeta>')),
            \LIBXML_NONET | \LIBXML_NOERROR | \LIBXML_NOWARNING,
        ) || null !== $document->doctype) {
            return [];
        }
        $found = [];
        foreach (['title', 'creator', 'rights', 'description'] as $name) {
            $found[$name] = (string) $document->getElementsByTagNameNS('http://purl.org/dc/elements/1.1/', $name)->item(0)?->textContent;
        }

        return $found;
    }
}
