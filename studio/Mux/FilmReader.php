<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

use Rhapsode\Core\Film\ReadBack;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Reads a film's file as whoever watches it does: every frame is decoded, and all of its sound. */
final readonly class FilmReader
{
    /** Seconds that this may take. */
    private const LONGEST = 1800;

    /** @throws ToolFailed where it cannot be read to its end */
    public function read(string $film): ReadBack
    {
        [$captions] = Tool::run(['ffprobe', '-v', 'error', '-select_streams', 's:0', '-show_entries', 'stream=index', '-of', 'csv=p=0', Tool::file($film)]);
        $cues = '' === trim($captions) ? '' : self::played($film, '0:s:0', 'webvtt');

        return new ReadBack(
            (int) self::last(self::played($film, '0:v:0', 'null'), 'frame'),
            (int) self::last(self::played($film, '0:a:0', 'null'), 'out_time_us') / 1e6,
            substr_count($cues, ' --> '),
        );
    }

    /** What ffmpeg tells while it plays one track, or the track itself where that is text. */
    private static function played(string $film, string $track, string $as): string
    {
        $to = 'null' === $as ? ['-progress', 'pipe:1', '-f', 'null', '-'] : ['-f', $as, 'pipe:1'];
        [$told] = Tool::ffmpeg(['-v', 'error', '-xerror', '-err_detect', 'explode', '-i', Tool::file($film), '-map', $track, ...$to], self::LONGEST);

        return $told;
    }

    private static function last(string $progress, string $key): string
    {
        preg_match_all("/^{$key}=(.*)$/m", $progress, $found);

        return (string) end($found[1]);
    }
}
