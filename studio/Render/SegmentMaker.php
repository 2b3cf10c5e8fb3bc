<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * Makes one segment. Frames of layers that move are sent to ffmpeg, which lays the others on them, performs the transition and
 * encodes; what stands still is given to it once, and only repeated.
 */
final readonly class SegmentMaker
{
    private Painters $painters;

    public function __construct(Renditions $renditions, Shape $shape, private FilmFormat $format)
    {
        $this->painters = new Painters($renditions, $shape, $format);
    }

    /**
     * @param \Closure(int): bool|null $progress hears how many frames are done, now and then; answers false to stop
     *
     * @return bool whether it was made; false when it was stopped
     *
     * @throws ToolFailed
     */
    public function make(Segment $segment, string $to, ?\Closure $progress = null): bool
    {
        $partial = $to . '.' . bin2hex(random_bytes(4)) . '.part';
        $scratch = new Scratch();
        $moving = $this->moving($segment);
        $written = ['format=yuv420p', ...$this->format->video(), '-f', 'mp4', Tool::file($partial)];
        $encoder = new Encoder($this->command($segment, \count($moving), $scratch, $written));
        try {
            for ($i = 0; $i < $segment->frames; ++$i) {
                foreach ($moving as $frames) {
                    $encoder->send($frames($segment->start + $i));
                }
                if (null !== $progress && 0 === $i % 15 && !$progress($i)) {
                    $encoder->stop();

                    return false;
                }
                if ([] === $moving) {
                    break;
                }
            }
            $encoder->finish();
            rename($partial, $to);
        } finally {
            @unlink($partial);
        }

        return true;
    }

    /**
     * One frame of a scene as a picture.
     *
     * @param int $frame of the scene
     *
     * @throws ToolFailed
     */
    public function still(Scene $scene, int $frame, string $png): void
    {
        $segment = new Segment($scene, null, $scene->start + $frame, 1, 'still');
        $moving = $this->moving($segment);
        $scratch = new Scratch();
        $encoder = new Encoder($this->command($segment, \count($moving), $scratch, [
            // The conversion that a player of the film makes.
            'scale=in_color_matrix=bt709:in_range=tv:out_range=pc:flags=accurate_rnd+full_chroma_int,format=rgb24',
            '-c:v', 'png', '-f', 'image2', '-update', '1', Tool::file($png),
        ]));
        foreach ($moving as $frames) {
            $encoder->send($frames($segment->start));
        }
        $encoder->finish();
    }

    /** @return list<\Closure(int): string> of each part that moves, in the order in which they are painted */
    private function moving(Segment $segment): array
    {
        $moving = [];
        foreach ($segment->scenes() as $scene) {
            foreach (Mosaic::of($scene) as $part) {
                $moving[] = $this->painters->frames($part, $scene);
            }
        }

        return array_values(array_filter($moving));
    }

    /**
     * @param non-empty-list<string> $to its last filter, then how and where it is written
     *
     * @return list<string>
     */
    private function command(Segment $segment, int $moving, Scratch $scratch, array $to): array
    {
        $graph = new FilterGraph();
        $sent = $this->sent($graph, $moving);
        $scenes = array_map(function (Scene $scene) use ($graph, $scratch, $segment, &$sent): string {
            $painting = new ScenePainting($graph, $this->format, $scratch, $scene, $segment->start - $scene->start, $segment->frames);
            foreach (Mosaic::of($scene) as $part) {
                $this->painters->paint($part, $painting, $scene, Painters::isSent($part) ? array_shift($sent) : null);
            }

            return $painting->all();
        }, $segment->scenes());
        $out = 2 === \count($scenes) ? (new TransitionPainter(
            $this->format,
            $scratch,
        ))->paint($graph, $segment->scene->transition, $scenes[0], $scenes[1]) : $scenes[0];

        return [
            // Without -xerror an end that could not be written is no error to ffmpeg.
            'ffmpeg', '-nostdin', '-hide_banner', '-v', 'error', '-xerror', '-y', '-filter_threads', '1', '-filter_complex_threads', '1',
            ...$graph->arguments($graph->filter($to[0], $out)), '-frames:v', (string) $segment->frames, ...\array_slice($to, 1),
        ];
    }

    /**
     * Several that move come one after the other at so many times the rate, and are sorted apart again.
     *
     * @return list<string> the label of each
     */
    private function sent(FilterGraph $graph, int $moving): array
    {
        if (0 === $moving) {
            return [];
        }
        $all = $graph->input([...$this->format->raw(Rate::FPS * $moving), '-i', 'pipe:0']);

        return 1 === $moving ? [$all] : array_map(
            static fn(string $share, int $k): string => $graph->filter(
                "select='eq(mod(n\\,{$moving})\\,{$k})',setpts=N/" . Rate::FPS . '/TB,fps=' . Rate::FPS,
                $share,
            ),
            $graph->split($all, $moving),
            range(0, $moving - 1),
        );
    }
}
