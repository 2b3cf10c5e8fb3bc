<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Render\Container;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Symfony\Component\Intl\Languages;

/** Concatenates made segments without encoding them again, and muxes them with the sound, captions, chapters and credits, to one file. */
final readonly class FilmMuxer
{
    /**
     * @param list<array{string, int}> $segments paths and frames, in the order of the film
     * @param string                   $sound    the mixed sound
     *
     * @throws ToolFailed
     */
    public function mux(Plan $plan, FilmFormat $format, array $segments, string $sound, string $to, Scratch $scratch): void
    {
        $list = "ffconcat version 1.0\n";
        foreach ($segments as $i => [$segment, $frames]) {
            // A short name beside the list: whatever the real path holds needs no quoting.
            $link = $scratch->path("segment-{$i}.mp4");
            @unlink($link);
            symlink((string) realpath($segment), $link);
            $list .= \sprintf("file segment-%d.mp4\nduration %.6F\n", $i, Rate::seconds($frames));
        }
        file_put_contents($scratch->path('segments.txt'), $list);
        file_put_contents($scratch->path('about.txt'), $this->about($plan));
        $captions = $scratch->path('captions.vtt');
        file_put_contents($captions, WebVtt::write($plan->cues, $plan->language));
        $hasCaptions = [] !== $plan->cues;
        $isMp4 = Container::Mp4 === $format->container;
        $language = self::language($plan->language);
        Tool::ffmpeg([
            '-v', 'error', '-xerror',
            '-f', 'concat', '-safe', '1', '-i', Tool::file($scratch->path('segments.txt')),
            '-i', Tool::file($sound),
            '-f', 'ffmetadata', '-i', Tool::file($scratch->path('about.txt')),
            ...($hasCaptions ? ['-f', 'webvtt', '-i', Tool::file($captions)] : []),
            '-map', '0:v', '-map', '1:a', ...($hasCaptions ? [
                '-map',
                '3:s',
                '-c:s',
                $isMp4 ? 'mov_text' : 'webvtt',
                '-metadata:s:s:0',
                "language={$language}",
            ] : []),
            '-map_metadata', '2', '-map_chapters', '2', '-c:v', 'copy', '-c:a', 'copy', '-metadata:s:v:0', "language={$language}", '-metadata:s:a:0', "language={$language}",
            // Lengths in a list of files are told in microseconds: each time is put back on its very frame.
            '-bsf:v', \sprintf('setts=pts=round(PTS*TB*%1$d)/%1$d/TB:dts=round(DTS*TB*%1$d)/%1$d/TB:duration=1/%1$d/TB', Rate::FPS),
            ...($isMp4 ? [
                '-video_track_timescale',
                (string) (Rate::FPS * 512),
                '-movflags',
                '+faststart',
            ] : ['-cues_to_front', '1', '-reserve_index_space', '60000']),
            '-fflags', '+bitexact', '-f', $format->container->value, Tool::file($to),
        ], 600);
    }

    /** ISO 639-2, which both containers ask for; "und" where there is none. */
    private static function language(string $tag): string
    {
        try {
            return Languages::getAlpha3Code((string) \Locale::getPrimaryLanguage($tag));
        } catch (\Throwable) {
            return 'und';
        }
    }

    /** Title, language, credits and chapters in ffmpeg's own metadata format, whose five special characters are escaped. */
    private function about(Plan $plan): string
    {
        $escape = static fn(string $text): string => (string) preg_replace('/([=;#\\\\\n])/', '\\\\$1', $text);
        $about = ";FFMETADATA1\ntitle=" . $escape($plan->title) . "\nlanguage=" . $escape($plan->language) . "\n";
        if ([] !== $plan->credits) {
            $about .= 'comment=' . $escape(implode("\n", $plan->credits)) . "\n";
        }
        foreach ($plan->scenes as $scene) {
            $about .= \sprintf(
                "[CHAPTER]\nTIMEBASE=1/%d\nSTART=%d\nEND=%d\ntitle=%s\n",
                Rate::FPS,
                $scene->start,
                $scene->end,
                $escape($scene->name),
            );
        }

        return $about;
    }
}
