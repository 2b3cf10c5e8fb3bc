<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

/** The kinds of picture that are read, recognised by their content and never by their name. */
enum PictureKind: string
{
    case Jpeg = 'jpeg';
    case Png = 'png';
    case Webp = 'webp';
    case Gif = 'gif';
    case Tiff = 'tiff';
    case Heic = 'heic';
    case Avif = 'avif';

    /** By the first bytes of the file; the signatures are those of each format's specification. */
    public static function of(string $head): ?self
    {
        return match (true) {
            str_starts_with($head, "\xFF\xD8\xFF") => self::Jpeg,
            str_starts_with($head, "\x89PNG\r\n\x1A\n") => self::Png,
            str_starts_with($head, 'RIFF') && 'WEBP' === substr($head, 8, 4) => self::Webp,
            str_starts_with($head, 'GIF87a'), str_starts_with($head, 'GIF89a') => self::Gif,
            str_starts_with($head, "II*\0"), str_starts_with($head, "MM\0*") => self::Tiff,
            // ISO base media file: the brands of HEIF (ISO/IEC 23008-12) and AVIF.
            'ftyp' === substr($head, 4, 4) => match (substr($head, 8, 4)) {
                'avif', 'avis' => self::Avif,
                'heic', 'heix', 'hevc', 'hevx', 'heim', 'heis', 'mif1', 'msf1' => str_contains(
                    substr($head, 8, 40),
                    'avif',
                ) ? self::Avif : self::Heic,
                default => null,
            },
            default => null,
        };
    }
}
