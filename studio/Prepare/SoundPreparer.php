<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Sound\Cleaning;
use Rhapsode\Core\Sound\Clicks;
use Rhapsode\Core\Sound\Pauses;
use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Sound\VoiceActivity;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/** Makes a recording of a voice ready, whatever it came as: one channel, a steady noise lowered, everything measured. */
final class SoundPreparer
{
    /** The waveform is drawn from a tenth of the levels. */
    private const DRAWN = 10;
    /** Samples by which ffmpeg's afftdn delays what it lets through, at 48 kHz: half its window. */
    private const DELAY = 1200;
    /** Seconds of a recording in which it is looked for what was begun again: it takes a fiftieth of them. */
    private const LISTENED = 900;

    /**
     * @param string|null $untouched where it is kept with the noise that is lowered in it, if any is
     *
     * @throws Unreadable
     */
    public function prepare(string $path, string $flac, ?string $untouched = null): MeasuredSound
    {
        $kind = SoundReader::kind($path);
        $samples = SoundReader::toFlac($path, $kind, $flac, 'mono');
        try {
            // Cut-off tops are told from the recording as it came: another rate rounds them.
            [, $came] = SoundReader::levels($path, $kind);
            [$rms, $peaks] = SoundReader::levels($flac);
            $voice = Trim::voice($rms, $samples);
            $pauses = Pauses::of($rms, ...$voice);
            $cleaning = Cleaning::of($rms, $samples, $voice, $pauses);
            if (null !== $cleaning) {
                if (null !== $untouched && !copy($flac, $untouched)) {
                    throw ToolFailed::notWritten($untouched);
                }
                self::clean($flac, $cleaning, $samples);
                [$rms, $peaks] = SoundReader::levels($flac);
            }
            $breaths = BreathFinder::of($flac, $rms);
            $clicks = Clicks::of($peaks, $pauses);
            $pauses = self::within(Pauses::over($pauses, [...$breaths, ...$clicks]), $voice);
            $repeats = $samples > self::LISTENED * Rate::SAMPLES ? [] : RepeatFinder::of($flac, $pauses, $voice[0]);
            [$loudness, , $peak] = SoundReader::loudness($flac, "atrim=start_sample={$voice[0]}:end_sample={$voice[1]},asetpts=N/SR/TB,");
        } catch (ToolFailed $problem) {
            throw new Unreadable('sound.broken', previous: $problem);
        }

        return new MeasuredSound(
            $samples,
            $voice[0],
            $voice[1],
            $loudness,
            $peak,
            VoiceActivity::noise($rms),
            VoiceActivity::isClipped($came),
            $pauses,
            self::drawn($peaks),
            $cleaning->decibels ?? 0.0,
            $repeats,
            $breaths,
            $clicks,
        );
    }

    /**
     * Pauses of a voice lie within it.
     *
     * @param list<array{int, int}> $pauses
     * @param array{int, int}       $voice
     *
     * @return list<array{int, int}>
     */
    private static function within(array $pauses, array $voice): array
    {
        $cut = array_map(static fn(array $pause): array => [max($pause[0], $voice[0]), min($pause[1], $voice[1])], $pauses);

        return array_values(array_filter($cut, static fn(array $pause): bool => $pause[1] - $pause[0] >= Voice::SHORTEST_PAUSE));
    }

    /**
     * The noise is learned from the stretch where it is heard alone, which is put before the recording for that and cut
     * off again: spectral subtraction with a floor, so hum and hiss alike.
     *
     * @throws ToolFailed
     */
    private static function clean(string $flac, Cleaning $cleaning, int $samples): void
    {
        $scratch = new Scratch(\dirname($flac));
        [$from, $to] = $cleaning->noise;
        $length = $to - $from;
        Tool::ffmpeg([
            '-v', 'error', '-xerror', '-f', 'flac', '-i', Tool::file($flac), '-filter_complex', \sprintf(
                "[0]asplit[a][b];[a]atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB[quiet];[quiet][b]concat=n=2:v=0:a=1,apad=pad_len=%d,asendcmd=c='0.0 afftdn sn start;%.4F afftdn sn stop',afftdn=nr=%.1F:nf=-40,atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,aformat=sample_fmts=s16",
                $from,
                $to,
                self::DELAY,
                $length / 48_000,
                $cleaning->decibels,
                $length + self::DELAY,
                $length + self::DELAY + $samples,
            ),
            '-fflags', '+bitexact', '-f', 'flac', Tool::file($scratch->path('clean.flac')),
        ], 600);
        rename($scratch->path('clean.flac'), $flac);
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
}
