<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/** Reads sound of any kind people have, and measures it with ffmpeg's meters. */
final class SoundReader
{
    public const MOST_BYTES = 400_000_000;
    private const MOST_SECONDS = 4 * 3600;
    /** Hertz. Below a telephone's rate no voice is understood; above 192 kHz nobody records (common practice). */
    private const LEAST_RATE = 8_000;
    private const MOST_RATE = 192_000;
    private const MOST_CHANNELS = 8;
    private const MOST_STREAMS = 16;
    private const BROKEN = 'sound.broken';

    /** @throws Unreadable in one sentence when it is no sound, empty, broken, or too large */
    public static function kind(string $path): SoundKind
    {
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw new Unreadable('sound.too-large', ['most' => intdiv(self::MOST_BYTES, 1_000_000)]);
        }
        $head = (string) file_get_contents($path, length: 64);
        if ('' === $head) {
            throw new Unreadable('file.empty');
        }

        return SoundKind::of($head) ?? throw new Unreadable('sound.unknown-kind');
    }

    /**
     * Writes it as FLAC at 48 kHz.
     *
     * @param 'mono'|'stereo' $channels
     * @param string          $filter   what else is done to it, with a comma before it, or nothing
     *
     * @return int samples
     *
     * @throws Unreadable
     */
    public static function toFlac(string $path, SoundKind $kind, string $flac, string $channels, string $filter = ''): int
    {
        self::probe($path, $kind);
        try {
            // A browser's recording may leave gaps when the machine was busy: the container's times are right.
            Tool::ffmpeg([
                '-v', 'error', '-f', $kind->value, '-i', Tool::file($path), '-map', '0:a:0', '-vn', '-sn', '-dn',
                '-t', (string) self::MOST_SECONDS, '-af', "aresample=48000:async=1:first_pts=0{$filter},aformat=sample_fmts=s16:channel_layouts={$channels}",
                '-map_metadata', '-1', '-fflags', '+bitexact', '-f', 'flac', Tool::file($flac),
            ], 600);
        } catch (ToolFailed $problem) {
            throw new Unreadable(self::BROKEN, previous: $problem);
        }
        $samples = self::samples($flac);
        if ($samples < Rate::SAMPLES / 10) {
            throw new Unreadable('sound.too-short');
        }

        return $samples;
    }

    /**
     * The sound as it came, not coded anew, without its metadata: Matroska holds whatever it is.
     *
     * @throws Unreadable
     */
    public static function original(string $path, string $to): void
    {
        try {
            Tool::ffmpeg([
                '-v', 'error', '-f', self::kind($path)->value, '-i', Tool::file($path), '-map', '0:a:0', '-c', 'copy',
                '-map_metadata', '-1', '-fflags', '+bitexact', '-f', 'matroska', Tool::file($to),
            ], 300);
        } catch (ToolFailed $problem) {
            throw new Unreadable(self::BROKEN, previous: $problem);
        }
    }

    /**
     * Looks at what a file says of itself before anything is decoded: one that says 1 Hz becomes hours of sound.
     *
     * @throws Unreadable
     */
    private static function probe(string $path, SoundKind $kind): void
    {
        try {
            [$said] = Tool::run([
                'ffprobe', '-v', 'error', '-protocol_whitelist', 'file,pipe', '-f', $kind->value, '-show_entries',
                'stream=codec_type,sample_rate,channels:format=duration,nb_streams', '-of', 'json', Tool::file($path),
            ], 20);
            /** @var array{streams?: list<array{codec_type?: string, sample_rate?: string, channels?: int}>, format?: array{duration?: string, nb_streams?: int}} $told */
            $told = json_decode($said, true, 8, \JSON_THROW_ON_ERROR);
        } catch (ToolFailed|\JsonException $problem) {
            throw new Unreadable(self::BROKEN, previous: $problem);
        }
        $sounds = array_values(
            array_filter($told['streams'] ?? [], static fn(array $stream): bool => 'audio' === ($stream['codec_type'] ?? '')),
        );
        if ([] === $sounds || \count($told['streams'] ?? []) > self::MOST_STREAMS) {
            throw new Unreadable([] === $sounds ? 'sound.none-in-file' : self::BROKEN);
        }
        $rate = (int) ($sounds[0]['sample_rate'] ?? 0);
        if ($rate < self::LEAST_RATE || $rate > self::MOST_RATE || ($sounds[0]['channels'] ?? 0) > self::MOST_CHANNELS) {
            throw new Unreadable('sound.odd', [
                'rate' => $rate, 'channels' => (int) ($sounds[0]['channels'] ?? 0),
                'leastRate' => self::LEAST_RATE, 'mostRate' => self::MOST_RATE, 'mostChannels' => self::MOST_CHANNELS,
            ]);
        }
        if ((float) ($told['format']['duration'] ?? 0) > self::MOST_SECONDS) {
            throw new Unreadable('sound.too-long');
        }
    }

    /** @throws ToolFailed */
    public static function samples(string $flac): int
    {
        // STREAMINFO of the FLAC format: the sample count is 36 bits at byte 21. A file written to a pipe lacks it.
        $head = (string) file_get_contents($flac, length: 26);

        return 'fLaC' === substr($head, 0, 4) ? ((\ord($head[21]) & 0x0F) << 32) | (int) hexdec(bin2hex(substr($head, 22, 4))) : 0;
    }

    /**
     * @return array{list<float>, list<float>} RMS and peak in dBFS for each 480 samples: 10 ms of a prepared sound
     *
     * @throws ToolFailed
     */
    public static function levels(string $path, SoundKind $kind = SoundKind::Flac): array
    {
        $rms = $peaks = [];
        // Silence is said to be -inf.
        $read = static fn(string $decibels): float => is_numeric($decibels) ? max(-200.0, (float) $decibels) : -200.0;
        Tool::lines([
            ...Tool::FFMPEG, '-v', 'error', '-f', $kind->value, '-i', Tool::file($path), '-map', '0:a:0', '-t', (string) self::MOST_SECONDS,
            '-af', 'asetnsamples=n=' . Trim::WINDOW . ':p=1,astats=metadata=1:reset=1:measure_perchannel=none:measure_overall=RMS_level+Peak_level,ametadata=mode=print:file=-',
            '-f', 'null', '-',
        ], static function (string $line) use (&$rms, &$peaks, $read): void {
            if (str_contains($line, 'RMS_level=')) {
                $rms[] = $read(substr($line, (int) strpos($line, '=') + 1));
            } elseif (str_contains($line, 'Peak_level=')) {
                $peaks[] = $read(substr($line, (int) strpos($line, '=') + 1));
            }
        }, 600);

        return [$rms, $peaks];
    }

    /**
     * By ffmpeg's ebur128 filter (ITU-R BS.1770, EBU R 128).
     *
     * @param string $part a filter that takes the part to be measured, with a comma behind it, or nothing
     *
     * @return array{float|null, float|null, float} integrated loudness and the loudest 3 s in LUFS, null where nothing passes the meter's
     *                                              gate of -70; true peak in dBTP
     *
     * @throws ToolFailed
     */
    public static function loudness(string $flac, string $part = ''): array
    {
        [$out, $said] = Tool::ffmpeg([
            '-i', Tool::file($flac), '-af', "{$part}ebur128=peak=true:dualmono=true:metadata=1:framelog=verbose,ametadata=mode=print:key=lavfi.r128.S:file=-", '-f', 'null', '-',
        ], 600);
        $summary = substr($said, (int) strrpos($said, 'Summary:'));
        $loudness = 1 === preg_match('/I:\s+(-?[\d.]+) LUFS/', $summary, $found) ? (float) $found[1] : -70.0;
        $peak = 1 === preg_match('/Peak:\s+(-?[\d.]+) dBFS/', $summary, $found) ? (float) $found[1] : -200.0;
        preg_match_all('/r128\.S=(-?[\d.]+)/', $out, $short);
        $loudest = max([-70.0, ...array_map(floatval(...), $short[1])]);

        return [$loudness <= -70.0 ? null : $loudness, $loudness <= -70.0 ? null : max($loudness, round($loudest, 1)), $peak];
    }
}
