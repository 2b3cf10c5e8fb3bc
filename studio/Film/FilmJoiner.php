<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Sound\Mixer;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Joins made segments without encoding them again, with the sound, captions, chapters and credits, to one MP4. */
final readonly class FilmJoiner
{
    public function __construct(private Makings $makings) {}

    /**
     * @param list<array{string, int}> $segments paths and frames, in the order of the film
     *
     * @throws ToolFailed
     */
    public function join(Plan $plan, array $segments, string $to, string $scratch): void
    {
        $sound = $scratch . '/sound.m4a';
        (new Mixer($this->makings))->mix($plan, $sound, $scratch);
        $list = "ffconcat version 1.0\n";
        foreach ($segments as $i => [$segment, $frames]) {
            // A short name beside the list: whatever the real path holds needs no quoting.
            $link = "{$scratch}/segment-{$i}.mp4";
            @unlink($link);
            symlink((string) realpath($segment), $link);
            $list .= \sprintf("file segment-%d.mp4\nduration %.6F\n", $i, Rate::seconds($frames));
        }
        file_put_contents($scratch . '/segments.txt', $list);
        file_put_contents($scratch . '/about.txt', $this->about($plan));
        $captions = $scratch . '/captions.vtt';
        file_put_contents($captions, WebVtt::write($plan->cues, $plan->language));
        $hasCaptions = [] !== $plan->cues;
        Tool::ffmpeg([
            '-v', 'error',
            '-f', 'concat', '-safe', '1', '-i', Tool::file($scratch . '/segments.txt'),
            '-f', 'mov', '-i', Tool::file($sound),
            '-f', 'ffmetadata', '-i', Tool::file($scratch . '/about.txt'),
            ...($hasCaptions ? ['-f', 'webvtt', '-i', Tool::file($captions)] : []),
            '-map', '0:v', '-map', '1:a', ...($hasCaptions ? ['-map', '3:s', '-c:s', 'mov_text'] : []),
            '-map_metadata', '2', '-map_chapters', '2', '-c:v', 'copy', '-c:a', 'copy',
            // Lengths in a list of files are told in microseconds: each time is put back on its very frame.
            '-bsf:v', \sprintf('setts=pts=round(PTS*TB*%1$d)/%1$d/TB:dts=round(DTS*TB*%1$d)/%1$d/TB:duration=1/%1$d/TB', Rate::FPS),
            '-video_track_timescale', (string) (Rate::FPS * 512), '-movflags', '+faststart', '-fflags', '+bitexact', '-f', 'mp4', Tool::file($to),
        ], 600);
    }

    /** Title, credits and chapters in ffmpeg's own metadata format, whose five special characters are escaped. */
    private function about(Plan $plan): string
    {
        $escape = static fn(string $text): string => (string) preg_replace('/([=;#\\\\\n])/', '\\\\$1', $text);
        $about = ";FFMETADATA1\ntitle=" . $escape($plan->title) . "\n";
        if ([] !== $plan->credits) {
            $about .= 'comment=' . $escape(implode("\n", $plan->credits)) . "\n";
        }
        foreach ($plan->slides as $slide) {
            $about .= \sprintf("[CHAPTER]\nTIMEBASE=1/%d\nSTART=%d\nEND=%d\ntitle=%s\n", Rate::FPS, $slide->start, $slide->end, $escape($slide->name));
        }

        return $about;
    }
}
