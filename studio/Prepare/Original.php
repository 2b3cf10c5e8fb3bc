<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Studio\Tool\Unreadable;

/**
 * Cleans the original of a picture without touching a pixel: what is kept is its coded image, its orientation and its colour
 * profile; where and when it was taken, with what, and whatever else was written into it, goes.
 *
 * JPEG (ITU-T T.81) is a row of segments, PNG (ISO/IEC 15948) one of chunks, WebP a RIFF of chunks: those that are kept are copied
 * as they are. Other kinds are written anew as PNG, which loses nothing either (PicturePreparer).
 */
final class Original
{
    private const PNG = [
        'IHDR',
        'PLTE',
        'IDAT',
        'IEND',
        'tRNS',
        'gAMA',
        'cHRM',
        'sRGB',
        'iCCP',
        'cICP',
        'sBIT',
        'bKGD',
        'pHYs',
        'acTL',
        'fcTL',
        'fdAT',
    ];
    private const WEBP = ['VP8 ', 'VP8L', 'VP8X', 'ALPH', 'ANIM', 'ANMF', 'ICCP'];

    /**
     * @param int $orientation as Exif tells it, 1 to 8
     *
     * @return string|null its bytes without metadata; null for a kind that is written anew
     *
     * @throws Unreadable when it is not built as its kind should be
     */
    public static function cleaned(string $bytes, PictureKind $kind, int $orientation = 1): ?string
    {
        return match ($kind) {
            PictureKind::Jpeg => self::jpeg($bytes, $orientation),
            PictureKind::Png => self::png($bytes),
            PictureKind::Webp => self::webp($bytes),
            default => null,
        };
    }

    private static function jpeg(string $bytes, int $orientation): string
    {
        $out = "\xFF\xD8";
        $at = 2;
        $isOriented = false;
        while (true) {
            // Fill bytes may stand before a marker.
            while ("\xFF" === ($bytes[$at] ?? '') && "\xFF" === ($bytes[$at + 1] ?? '')) {
                ++$at;
            }
            if ("\xFF" !== ($bytes[$at] ?? '') || !isset($bytes[$at + 3])) {
                throw new Unreadable('picture.broken');
            }
            $marker = \ord($bytes[$at + 1]);
            $length = 2 + (\ord($bytes[$at + 2]) << 8 | \ord($bytes[$at + 3]));
            $segment = substr($bytes, $at, $length);
            // After the start of scan all that follows is the image, to its end; what hangs behind that is nobody's.
            if (0xDA === $marker) {
                $end = strrpos($bytes, "\xFF\xD9");

                return $out . (false === $end || $end < $at ? substr($bytes, $at) : substr($bytes, $at, $end + 2 - $at));
            }
            $keeps = match (true) {
                0xE2 === $marker => str_starts_with(substr($segment, 4), "ICC_PROFILE\0"),
                // Without Adobe's segment the colours of some are read the wrong way.
                0xEE === $marker => str_starts_with(substr($segment, 4), 'Adobe'),
                0xE0 === $marker => str_starts_with(substr($segment, 4), "JFIF\0"),
                default => !($marker >= 0xE1 && $marker <= 0xEF) && 0xFE !== $marker,
            };
            if (0xE0 !== $marker && !$isOriented) {
                $out .= 1 === $orientation ? '' : self::exif($orientation);
                $isOriented = true;
            }
            $out .= $keeps ? $segment : '';
            $at += $length;
        }
    }

    /** An Exif segment that says the orientation and nothing else. */
    private static function exif(int $orientation): string
    {
        $tiff = "MM\0*" . pack('N', 8) . pack('n', 1) . pack('nnNnn', 0x0112, 3, 1, $orientation, 0) . pack('N', 0);

        return "\xFF\xE1" . pack('n', 2 + 6 + \strlen($tiff)) . "Exif\0\0" . $tiff;
    }

    private static function png(string $bytes): string
    {
        $out = substr($bytes, 0, 8);
        for ($at = 8; isset($bytes[$at + 11]); $at += $length + 12) {
            $length = self::number('N', $bytes, $at);
            $type = substr($bytes, $at + 4, 4);
            if (\in_array($type, self::PNG, true)) {
                $out .= substr($bytes, $at, $length + 12);
            }
            if ('IEND' === $type) {
                return $out;
            }
        }
        throw new Unreadable('picture.broken');
    }

    private static function webp(string $bytes): string
    {
        $chunks = '';
        for ($at = 12; isset($bytes[$at + 7]); $at += 8 + $length + $length % 2) {
            $length = self::number('V', $bytes, $at + 4);
            $type = substr($bytes, $at, 4);
            if (\in_array($type, self::WEBP, true)) {
                $chunk = substr($bytes, $at, 8 + $length + $length % 2);
                // The flags that say that Exif (bit 3) and XMP (bit 2) follow.
                $chunks .= 'VP8X' === $type ? substr_replace($chunk, \chr(\ord($chunk[8]) & ~0x0C), 8, 1) : $chunk;
            }
        }

        return 'RIFF' . pack('V', 4 + \strlen($chunks)) . 'WEBP' . $chunks;
    }

    private static function number(string $format, string $bytes, int $at): int
    {
        $number = unpack($format, $bytes, $at);

        return \is_array($number) && \is_int($number[1] ?? null) ? $number[1] : 0;
    }
}
