<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Sound;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Film\FilmFormat;
use Rhapsode\Studio\Film\Makings;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Mixes the film's sound: every voice at its gain from its very sample on, the beds by their gains, then one limiter for true peaks. */
final readonly class Mixer
{
    /** Raised when the same plan would sound otherwise. */
    private const VERSION = 2;
    /** Seconds over which a voice is faded at its edges, so that a cut does not click. */
    private const EDGE = 0.008;
    /** The limiter works at four times the rate, where true peaks are samples (BS.1770-4, annex 2). */
    private const OVERSAMPLED = Rate::SAMPLES * 4;

    public function __construct(private Makings $makings) {}

    /** Tells all that determines the sound: a film whose sound is the same needs no new mix. */
    public static function name(Plan $plan, FilmFormat $format): string
    {
        $voices = [];
        foreach ($plan->slides as $slide) {
            if (null !== $slide->voice) {
                $voices[] = [(array) $slide->voice, $slide->gain];
            }
        }

        return substr(hash('sha256', json_encode([self::VERSION, $plan->frames(), $voices, $plan->beds, $format->audio()], \JSON_THROW_ON_ERROR)), 0, 32);
    }

    /** Writes sound of exactly the plan's length, in two channels. @throws ToolFailed */
    public function mix(Plan $plan, FilmFormat $format, string $to): void
    {
        $scratch = new Scratch();
        $samples = max(1, $plan->frames() * Rate::SAMPLES_PER_FRAME);
        $inputs = $filters = [];
        $voices = $this->voices($plan, $samples, $inputs, $filters);
        $mixed = ["[{$voices}]"];
        foreach ($plan->beds as $i => $play) {
            $mixed[] = '[' . $this->bed($play, $scratch->path("gain-{$i}.f32"), $inputs, $filters) . ']';
        }
        $limited = \sprintf('aresample=%d,alimiter=limit=%.4F:level=0:attack=2:release=60:latency=1,aresample=%d', self::OVERSAMPLED, Loudness::factor(Loudness::LIMIT), Rate::SAMPLES);
        $filters[] = implode('', $mixed) . (1 === \count($mixed) ? '' : \sprintf('amix=inputs=%d:normalize=0:duration=first:dropout_transition=0,', \count($mixed)))
            . \sprintf('%s,apad=whole_len=%d,atrim=end_sample=%d[mix]', $limited, $samples, $samples);
        // A graph of many voices is longer than a command may be.
        file_put_contents($scratch->path('graph.txt'), implode(";\n", $filters));
        Tool::ffmpeg(['-v', 'error', '-xerror', ...$inputs, '-filter_complex_script', $scratch->path('graph.txt'), '-map', '[mix]', ...$format->audio(), Tool::file($to)], 1200);
    }

    /**
     * Nobody speaks at once with another, so the voices are one row of sound and silence.
     *
     * @param list<string> $inputs
     * @param list<string> $filters
     *
     * @param-out list<string> $inputs
     * @param-out list<string> $filters
     */
    private function voices(Plan $plan, int $samples, array &$inputs, array &$filters): string
    {
        $row = [];
        $at = 0;
        $silence = static function (int $length) use (&$filters, &$row): void {
            if ($length > 0) {
                $filters[] = \sprintf('anullsrc=r=%d:cl=mono,atrim=end_sample=%d,aformat=sample_fmts=fltp[s%d]', Rate::SAMPLES, $length, \count($row));
                $row[] = '[s' . \count($row) . ']';
            }
        };
        foreach ($plan->slides as $slide) {
            $voice = $slide->voice;
            if (null === $voice) {
                continue;
            }
            $silence($voice->at - $at);
            $input = self::input($inputs, ['-i', Tool::file($this->makings->take($voice->take))]);
            $length = $voice->to - $voice->from;
            $filters[] = \sprintf(
                '[%d:a]atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,aformat=sample_fmts=fltp:channel_layouts=mono,apad=whole_len=%d,volume=%.2FdB,afade=t=in:d=%.3F,afade=t=out:st=%.4F:d=%.3F[s%d]',
                $input,
                $voice->from,
                $voice->to,
                $length,
                $slide->gain,
                self::EDGE,
                max(0, $length / Rate::SAMPLES - self::EDGE),
                self::EDGE,
                \count($row),
            );
            $row[] = '[s' . \count($row) . ']';
            $at = $voice->end();
        }
        $silence($samples - $at);
        $filters[] = implode('', $row) . (\count($row) > 1 ? \sprintf('concat=n=%d:v=0:a=1,', \count($row)) : '') . 'pan=stereo|c0=c0|c1=c0[voices]';

        return 'voices';
    }

    /**
     * @param list<string> $inputs
     * @param list<string> $filters
     *
     * @param-out list<string> $inputs
     * @param-out list<string> $filters
     */
    private function bed(Play $play, string $path, array &$inputs, array &$filters): string
    {
        Gains::write($play, $path);
        $music = self::input($inputs, ['-i', Tool::file($this->makings->music($play->sound))]);
        $gains = self::input($inputs, ['-f', 'f32le', '-ar', (string) Rate::SAMPLES, '-ac', '1', '-i', Tool::file($path)]);
        $filters[] = \sprintf('[%d:a]atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,aformat=sample_fmts=fltp:channel_layouts=stereo[m%d]', $music, $play->from, $play->to, $music);
        $filters[] = \sprintf('[%d:a]pan=stereo|c0=c0|c1=c0,aformat=sample_fmts=fltp[g%d]', $gains, $gains);
        $filters[] = \sprintf('[m%d][g%d]amultiply,adelay=%dS:all=1[b%d]', $music, $gains, $play->at, $music);

        return 'b' . $music;
    }

    /**
     * @param list<string> $inputs
     * @param list<string> $input
     *
     * @param-out list<string> $inputs
     */
    private static function input(array &$inputs, array $input): int
    {
        $number = \count(array_keys($inputs, '-i', true));
        array_push($inputs, ...$input);

        return $number;
    }
}
