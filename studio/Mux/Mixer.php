<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Renditions;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Mixes the film's sound: every play by its gains from its very sample on, then one limiter for true peaks. */
final readonly class Mixer
{
    /** Raised when the same plan would sound otherwise. */
    private const VERSION = 3;
    /** The limiter works at four times the rate, where true peaks are samples (BS.1770-4, annex 2). */
    private const OVERSAMPLED = Rate::SAMPLES * 4;

    public function __construct(private Renditions $renditions) {}

    /**
     * Tells all that determines the sound: a film whose sound is the same needs no new mix.
     *
     * @param (\Closure(string): string)|null $content names what an asset holds, by its id; null where an id holds one thing for ever
     */
    public static function name(Plan $plan, FilmFormat $format, ?\Closure $content = null): string
    {
        $determines = [self::VERSION, $plan->frames(), $plan->plays, $format->audio()];
        if (null !== $content) {
            $determines[] = array_map(static fn(Play $play): string => $content($play->asset), $plan->plays);
        }

        return substr(hash('sha256', json_encode($determines, \JSON_THROW_ON_ERROR)), 0, 32);
    }

    /** Writes sound of exactly the plan's length, in two channels. @throws ToolFailed */
    public function mix(Plan $plan, FilmFormat $format, string $to): void
    {
        $scratch = new Scratch();
        $samples = max(1, $plan->frames() * Rate::SAMPLES_PER_FRAME);
        $graph = new SoundGraph();
        $mixed = ['[' . $this->row($plan->plays(Bus::Voice), $samples, $scratch, $graph) . ']'];
        foreach (Bus::wide() as $bus) {
            foreach ($plan->plays($bus) as $play) {
                $mixed[] = '[' . $this->wide($play, $scratch, $graph) . ']';
            }
        }
        $limited = \sprintf(
            'aresample=%d,alimiter=limit=%.4F:level=0:attack=2:release=60:latency=1,aresample=%d',
            self::OVERSAMPLED,
            Loudness::factor(Loudness::LIMIT),
            Rate::SAMPLES,
        );
        $together = \sprintf('amix=inputs=%d:normalize=0:duration=first:dropout_transition=0,', \count($mixed));
        $graph->filters[] = implode('', $mixed) . (1 === \count($mixed) ? '' : $together)
            . \sprintf('%s,apad=whole_len=%d,atrim=end_sample=%d[mix]', $limited, $samples, $samples);
        // A graph of many voices is longer than a command may be.
        file_put_contents($scratch->path('graph.txt'), implode(";\n", $graph->filters));
        Tool::ffmpeg([
            '-v', 'error', '-xerror', ...$graph->inputs, '-filter_complex_script', $scratch->path('graph.txt'), '-map',
            '[mix]', ...$format->audio(), Tool::file($to),
        ], 1200);
    }

    /**
     * Plays of which one is heard at a time are one row of sound and silence.
     *
     * @param list<Play> $plays
     */
    private function row(array $plays, int $samples, Scratch $scratch, SoundGraph $graph): string
    {
        $row = [];
        $at = 0;
        $silence = static function (int $length) use ($graph, &$row): void {
            if ($length > 0) {
                $graph->filters[] = \sprintf(
                    'anullsrc=r=%d:cl=mono,atrim=end_sample=%d,aformat=sample_fmts=fltp[s%d]',
                    Rate::SAMPLES,
                    $length,
                    \count($row),
                );
                $row[] = '[s' . \count($row) . ']';
            }
        };
        foreach ($plays as $play) {
            $silence($play->at - $at);
            $this->voice($play, 's' . \count($row), $scratch, $graph);
            $row[] = '[s' . \count($row) . ']';
            $at = $play->end();
        }
        $silence($samples - $at);
        $joined = \count($row) > 1 ? \sprintf('concat=n=%d:v=0:a=1,', \count($row)) : '';
        $graph->filters[] = implode('', $row) . $joined . 'pan=stereo|c0=c0|c1=c0[voices]';

        return 'voices';
    }

    /** A play that comes, stays at one gain and goes is faded by filters; any other is multiplied by its gains, sample by sample. */
    private function voice(Play $play, string $label, Scratch $scratch, SoundGraph $graph): void
    {
        $sound = $graph->input(['-i', Tool::file($this->renditions->sound($play))]);
        $cut = \sprintf(
            '[%d:a]atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,aformat=sample_fmts=fltp:channel_layouts=mono,apad=whole_len=%d',
            $sound,
            $play->from,
            $play->to,
            $play->length(),
        );
        $steady = self::steady($play);
        if (null === $steady) {
            $gains = $this->gains($play, $scratch, $graph);
            $graph->filters[] = "{$cut}[c{$label}]";
            $graph->filters[] = "[{$gains}:a]aformat=sample_fmts=fltp:channel_layouts=mono[g{$label}]";
            $graph->filters[] = "[c{$label}][g{$label}]amultiply[{$label}]";

            return;
        }
        [$gain, $edge] = $steady;
        $graph->filters[] = \sprintf(
            '%s,volume=%.17F,afade=t=in:d=%.3F,afade=t=out:st=%.4F:d=%.3F[%s]',
            $cut,
            $gain,
            $edge,
            max(0, $play->length() / Rate::SAMPLES - $edge),
            $edge,
            $label,
        );
    }

    /** @return array{float, float}|null gain, and seconds of both its edges */
    private static function steady(Play $play): ?array
    {
        if (4 !== \count($play->gains)) {
            return null;
        }
        [[$a, $first], [$b, $gain], [$c, $same], [$d, $last]] = $play->gains;

        return 0.0 === $first && 0.0 === $last && $gain === $same && $a === $play->at && $d === $play->end() && $b - $a === $d - $c ? [
            $gain,
            ($b - $a) / Rate::SAMPLES,
        ] : null;
    }

    private function wide(Play $play, Scratch $scratch, SoundGraph $graph): string
    {
        $music = $graph->input(['-i', Tool::file($this->renditions->sound($play))]);
        $gains = $this->gains($play, $scratch, $graph);
        $graph->filters[] = \sprintf(
            '[%d:a]atrim=start_sample=%d:end_sample=%d,asetpts=N/SR/TB,aformat=sample_fmts=fltp:channel_layouts=stereo[m%d]',
            $music,
            $play->from,
            $play->to,
            $music,
        );
        $graph->filters[] = \sprintf('[%d:a]pan=stereo|c0=c0|c1=c0,aformat=sample_fmts=fltp[g%d]', $gains, $gains);
        $graph->filters[] = \sprintf('[m%d][g%d]amultiply,adelay=%dS:all=1[b%d]', $music, $gains, $play->at, $music);

        return 'b' . $music;
    }

    private function gains(Play $play, Scratch $scratch, SoundGraph $graph): int
    {
        $path = $scratch->path('gain-' . bin2hex(random_bytes(4)) . '.f32');
        Gains::write($play, $path);

        return $graph->input(['-f', 'f32le', '-ar', (string) Rate::SAMPLES, '-ac', '1', '-i', Tool::file($path)]);
    }
}
