<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

/** The kinds of file that moving pictures come in, recognised by their content. The value is the name of ffmpeg's demuxer. */
enum ClipKind: string
{
    /** MP4, MOV and their kin. */
    case Mov = 'mov';
    /** Matroska and WebM. */
    case Matroska = 'matroska';
    case Avi = 'avi';

    /** By the first bytes of the file: ISO/IEC 14496-12 and QuickTime's atoms, EBML (RFC 8794), RIFF. */
    public static function of(string $head): ?self
    {
        return match (true) {
            null !== PictureKind::of($head) => null,
            \in_array(substr($head, 4, 4), ['ftyp', 'moov', 'mdat', 'wide', 'free', 'skip'], true) => self::Mov,
            str_starts_with($head, "\x1A\x45\xDF\xA3") => self::Matroska,
            str_starts_with($head, 'RIFF') && 'AVI ' === substr($head, 8, 4) => self::Avi,
            default => null,
        };
    }
}
