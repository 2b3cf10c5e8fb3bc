<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Timing\Rate;

/** How the film's pictures are coded: H.264 that plays everywhere, the same bytes wherever a segment is made. */
final class FilmFormat
{
    /**
     * One thread for each segment: x264's result depends on the number of threads, and segments are made side by side
     * anyway.
     *
     * @return list<string>
     */
    public static function video(): array
    {
        return [
            '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '21', '-profile:v', 'high', '-pix_fmt', 'yuv420p', '-g', '60', '-threads', '1',
            '-color_primaries', 'bt709', '-color_trc', 'bt709', '-colorspace', 'bt709', '-color_range', 'tv', '-chroma_sample_location', 'left',
            '-video_track_timescale', (string) (Rate::FPS * 512), '-fflags', '+bitexact', '-flags:v', '+bitexact',
        ];
    }

    public static function fingerprint(): string
    {
        return implode(' ', self::video());
    }
}
