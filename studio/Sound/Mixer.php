<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Sound;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Film\Makings;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Mixes the film's sound: every voice at its gain from its very sample on, then one limiter for true peaks. */
final readonly class Mixer
{
    private const BYTES = 4;
    /** Milliseconds over which a voice is faded at its edges, so that a cut does not click. */
    private const EDGE = 0.008;
    /** The limiter works at four times the rate, where true peaks are samples (BS.1770-4, annex 2). */
    private const OVERSAMPLED = Rate::SAMPLES * 4;

    public function __construct(private Makings $makings) {}

    /** Writes AAC of exactly the plan's length. @throws ToolFailed */
    public function mix(Plan $plan, string $to, string $scratch): void
    {
        $raw = $scratch . '/voices.f32';
        $samples = max(0, $plan->frames() * Rate::SAMPLES_PER_FRAME);
        $mix = fopen($raw, 'w+') ?: throw new ToolFailed('The mix cannot be written.');
        ftruncate($mix, $samples * self::BYTES);
        foreach ($plan->slides as $slide) {
            if (null !== $slide->voice) {
                $voice = $this->voice($this->makings->take($slide->voice->take), $slide->voice->from, $slide->voice->to, $slide->gain);
                fseek($mix, $slide->voice->at * self::BYTES);
                if (\strlen($voice) !== fwrite($mix, $voice)) {
                    throw new ToolFailed('The disk is full.');
                }
            }
        }
        fclose($mix);
        $limit = Loudness::factor(Loudness::LIMIT);
        Tool::ffmpeg([
            '-v', 'error', '-f', 'f32le', '-ar', (string) Rate::SAMPLES, '-ac', '1', '-i', Tool::file($raw),
            '-af', \sprintf('aresample=%d,alimiter=limit=%.4F:level=0:attack=2:release=60:latency=1,aresample=%d,apad=whole_len=%d,atrim=end_sample=%d,pan=stereo|c0=c0|c1=c0', self::OVERSAMPLED, $limit, Rate::SAMPLES, $samples, $samples),
            '-c:a', 'aac', '-b:a', '160k', '-fflags', '+bitexact', '-flags:a', '+bitexact', '-f', 'mp4', Tool::file($to),
        ], 600);
        unlink($raw);
    }

    /** Raw float samples, exactly $to - $from of them. */
    private function voice(string $flac, int $from, int $to, float $gain): string
    {
        $seconds = ($to - $from) / Rate::SAMPLES;
        [$raw] = Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($flac),
            '-af', \sprintf('aformat=sample_fmts=flt,atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,volume=%.2FdB,afade=t=in:d=%.3F,afade=t=out:st=%.4F:d=%.3F', $from, $to, $gain, self::EDGE, max(0, $seconds - self::EDGE), self::EDGE),
            '-f', 'f32le', '-ac', '1', '-ar', (string) Rate::SAMPLES, '-',
        ], 300);

        return str_pad(substr($raw, 0, ($to - $from) * self::BYTES), ($to - $from) * self::BYTES, "\0");
    }
}
