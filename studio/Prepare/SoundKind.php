<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

/** The kinds of sound file that are read, recognised by content. The value is the name of ffmpeg's demuxer. */
enum SoundKind: string
{
    case Wav = 'wav';
    case Flac = 'flac';
    case Ogg = 'ogg';
    case Mp3 = 'mp3';
    case Aac = 'aac';
    case Mp4 = 'mov';
    case Matroska = 'matroska';
    case Aiff = 'aiff';

    /** By the first bytes of the file; the signatures are those of each format's specification. */
    public static function of(string $head): ?self
    {
        return match (true) {
            str_starts_with($head, 'RIFF') && 'WAVE' === substr($head, 8, 4) => self::Wav,
            str_starts_with($head, 'fLaC') => self::Flac,
            str_starts_with($head, 'OggS') => self::Ogg,
            str_starts_with($head, 'ID3') => self::Mp3,
            'ftyp' === substr($head, 4, 4) => self::Mp4,
            str_starts_with($head, "\x1A\x45\xDF\xA3") => self::Matroska,
            str_starts_with($head, 'FORM') && \in_array(substr($head, 8, 4), ['AIFF', 'AIFC'], true) => self::Aiff,
            // MPEG sync words: layer 0 is ADTS AAC, the others MP3.
            1 === preg_match('/^\xFF[\xF0\xF1\xF8\xF9]/', $head) => self::Aac,
            1 === preg_match('/^\xFF[\xE2-\xEF\xF2-\xF7\xFA-\xFF]/', $head) => self::Mp3,
            default => null,
        };
    }
}
