<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use Rhapsode\Studio\Tool\Tool;

/** Small media made for tests, and ffmpeg's and ffprobe's own word on what was made. */
final class Media
{
    /** @param list<string> $more */
    public static function sound(string $path, string $source, float $seconds, array $more = []): void
    {
        Tool::ffmpeg(['-v', 'error', '-f', 'lavfi', '-i', $source, '-t', (string) $seconds, ...$more, Tool::file($path)]);
    }

    /** Speech by Debian's flite, with silence before and after, at a level. */
    public static function speech(string $path, string $text, float $decibels = 0, float $silence = 0.8): void
    {
        Tool::run(['flite', '-voice', 'slt', '-t', $text, '-o', $path . '.raw.wav']);
        Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($path . '.raw.wav'), '-af',
            \sprintf('volume=%FdB,adelay=%d:all=1,apad=pad_dur=%F', $decibels, (int) ($silence * 1000), $silence),
            Tool::file($path),
        ]);
        unlink($path . '.raw.wav');
    }

    public static function picture(string $path, string $colour = 'gradient:#204060-#e0c080', int $width = 1600, int $height = 900): void
    {
        $image = new \Imagick();
        $image->newPseudoImage($width, $height, $colour);
        $image->setImageCompressionQuality(92);
        $image->setImageFormat(str_ends_with($path, '.png') ? 'png' : 'jpeg');
        file_put_contents($path, $image->getImageBlob());
    }

    /** @return array{integrated: float, peak: float} by ffmpeg's ebur128 (ITU-R BS.1770, EBU R 128) */
    public static function loudness(string $path, ?float $from = null, ?float $to = null): array
    {
        $trim = null === $from ? '' : \sprintf('atrim=%F:%F,', $from, (float) $to);
        [
            ,
            $said,
        ] = Tool::ffmpeg(['-i', Tool::file($path), '-map', '0:a', '-af', $trim . 'ebur128=peak=true:framelog=verbose', '-f', 'null', '-']);
        $summary = substr($said, (int) strrpos($said, 'Summary:'));
        preg_match('/I:\s+(-?[\d.]+) LUFS/', $summary, $integrated);
        preg_match('/Peak:\s+(-?[\d.]+|-inf) dBFS/', $summary, $peak);

        return ['integrated' => (float) ($integrated[1] ?? 0), 'peak' => (float) ($peak[1] ?? 0)];
    }

    /** @return array<string, string> flat entries of ffprobe, such as `streams.stream.0.nb_read_frames` */
    public static function probe(string $path): array
    {
        [$out] = Tool::run(
            ['ffprobe', '-v', 'error', '-count_frames', '-show_streams', '-show_format', '-show_chapters', '-of', 'flat', $path],
        );
        $entries = [];
        foreach (explode("\n", trim($out)) as $line) {
            [$key, $value] = explode('=', $line, 2) + [1 => ''];
            $entries[$key] = trim($value, '"');
        }

        return $entries;
    }

    /** @return list<int> one frame as RGB bytes */
    public static function frame(string $film, int $number, int $width = 1280, int $height = 720): array
    {
        return array_map(\ord(...), str_split(self::rawFrame($film, $number, $width, $height)));
    }

    /** One frame, three bytes for each pixel. */
    public static function rawFrame(string $film, int $number, int $width = 1280, int $height = 720): string
    {
        [$raw] = Tool::ffmpeg(
            [
                '-v', 'error', '-i', Tool::file($film), '-vf',
                "select=eq(n\\,{$number}),scale={$width}:{$height}:in_color_matrix=bt709:in_range=tv:out_range=pc:flags=accurate_rnd,format=rgb24",
                '-frames:v', '1', '-f', 'rawvideo', '-',
            ],
        );

        return $raw;
    }

    /** How alike two films look (structural similarity, by ffmpeg's ssim), of all frames the mean. */
    public static function ssim(string $one, string $other): float
    {
        [
            ,
            $said,
        ] = Tool::ffmpeg(['-i', Tool::file($one), '-i', Tool::file($other), '-filter_complex', '[0:v][1:v]ssim', '-f', 'null', '-'], 300);

        return 1 === preg_match('/All:([\d.]+)/', $said, $found) ? (float) $found[1] : 0.0;
    }

    /** @return list<int> mean power in dBFS of every tenth of a second, at least -90 */
    public static function levels(string $path): array
    {
        [$raw] = Tool::ffmpeg(['-v', 'error', '-i', Tool::file($path), '-map', '0:a', '-ac', '1', '-ar', '8000', '-f', 's16le', '-'], 300);
        /** @var list<int> $samples */
        $samples = array_values(unpack('s*', $raw) ?: []);

        return array_map(
            static fn(array $block): int => (int) round(max(
                -90,
                10 * log10(max(1e-9, array_sum(array_map(static fn(int $x): int => $x * $x, $block)) / \count($block) / 32768 ** 2)),
            )),
            array_chunk($samples, 800),
        );
    }
}
