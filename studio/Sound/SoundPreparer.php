<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Sound;

use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/** Makes a recording ready, whatever it came as, and measures it. */
final class SoundPreparer
{
    public const MOST_BYTES = 400_000_000;
    private const MOST_SECONDS = 3600;
    /** Levels are measured every 10 ms, the drawn waveform has a tenth of that. */
    private const DRAWN = 10;

    /** @throws Unreadable */
    public function prepare(string $path, string $flac): MeasuredSound
    {
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw new Unreadable('This sound is larger than 400 MB. Save it as MP3 or FLAC and bring that in.');
        }
        $head = (string) file_get_contents($path, length: 64);
        if ('' === $head) {
            throw new Unreadable('This recording is empty.');
        }
        $kind = SoundKind::of($head) ?? throw new Unreadable('This file is not a sound that can be read. WAV, MP3, M4A, Ogg, FLAC, WebM and AIFF can.');
        try {
            // A browser's recording may leave gaps when the machine was busy: the container's times are right.
            Tool::ffmpeg([
                '-v', 'error', '-f', $kind->value, '-i', Tool::file($path), '-map', '0:a:0', '-vn', '-sn', '-dn',
                '-t', (string) self::MOST_SECONDS, '-af', 'aresample=48000:async=1:first_pts=0,aformat=sample_fmts=s16:channel_layouts=mono',
                '-map_metadata', '-1', '-fflags', '+bitexact', '-f', 'flac', Tool::file($flac),
            ], 300);
            [$rms, $peaks] = $this->levels($flac);
        } catch (ToolFailed) {
            throw new Unreadable('This sound is broken and cannot be played. Try to save it again, or take it from where it came.');
        }
        $samples = $this->samples($flac);
        if ($samples < Rate::SAMPLES / 10) {
            throw new Unreadable('This recording is too short to hold a voice.');
        }
        [$from, $to] = Trim::voice($rms, $samples);
        [$loudness, $peak] = $this->loudness($flac, $from, $to);

        return new MeasuredSound($samples, $from, $to, $loudness, $peak, self::drawn($peaks));
    }

    /** @throws ToolFailed */
    private function samples(string $flac): int
    {
        // STREAMINFO of the FLAC format: the sample count is 36 bits at byte 21.
        $head = (string) file_get_contents($flac, length: 26);
        return 'fLaC' === substr($head, 0, 4) ? ((\ord($head[21]) & 0x0F) << 32) | (int) hexdec(bin2hex(substr($head, 22, 4))) : 0;
    }

    /**
     * @return array{list<float>, list<float>} RMS and peak in dBFS for each 10 ms
     *
     * @throws ToolFailed
     */
    private function levels(string $flac): array
    {
        [$out] = Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($flac),
            '-af', 'asetnsamples=n=' . Trim::WINDOW . ':p=1,astats=metadata=1:reset=1:measure_perchannel=RMS_level+Peak_level:measure_overall=none,ametadata=mode=print:file=-',
            '-f', 'null', '-',
        ], 300);
        preg_match_all('/RMS_level=(\S+)/', $out, $rms);
        preg_match_all('/Peak_level=(\S+)/', $out, $peaks);
        $read = static fn(string $value): float => is_numeric($value) ? max(-200.0, (float) $value) : -200.0;

        return [array_map($read, $rms[1]), array_map($read, $peaks[1])];
    }

    /**
     * @param list<float> $peaks
     *
     * @return list<float>
     */
    private static function drawn(array $peaks): array
    {
        return array_map(
            static fn(array $part): float => round(10 ** (max([-200.0, ...$part]) / 20), 3),
            array_chunk($peaks, self::DRAWN),
        );
    }

    /**
     * @return array{float|null, float} integrated loudness of the voice as from two channels, and its true peak (ffmpeg's ebur128 filter)
     *
     * @throws ToolFailed
     */
    private function loudness(string $flac, int $from, int $to): array
    {
        [, $said] = Tool::ffmpeg([
            '-i', Tool::file($flac), '-af', "atrim=start_sample={$from}:end_sample={$to},asetpts=N/SR/TB,ebur128=peak=true:dualmono=true:framelog=verbose", '-f', 'null', '-',
        ], 300);
        $summary = substr($said, (int) strrpos($said, 'Summary:'));
        $loudness = 1 === preg_match('/I:\s+(-?[\d.]+) LUFS/', $summary, $found) ? (float) $found[1] : -70.0;
        $peak = 1 === preg_match('/Peak:\s+(-?[\d.]+) dBFS/', $summary, $found) ? (float) $found[1] : -200.0;

        // The meter's absolute gate is at -70 LUFS: nothing passed it.
        return [$loudness <= -70.0 ? null : $loudness, $peak];
    }
}
