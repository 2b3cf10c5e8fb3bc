<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * Makes one segment. Frames of moving pictures are taken by their framing and sent to ffmpeg, which lays the words on
 * them, joins and encodes; what stands still is given to it once, words and all, and only repeated.
 */
final readonly class SegmentMaker
{
    private Canvases $canvases;

    public function __construct(private Makings $makings, private Shape $shape, private FilmFormat $format)
    {
        $this->canvases = new Canvases();
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
        $slides = array_values(array_filter([$segment->slide, $segment->next]));
        $moving = array_values(array_filter($slides, self::moves(...)));
        $encoder = new Encoder($this->command($segment, $slides, $moving, $partial, $scratch));
        try {
            $canvases = array_map(fn(PlannedSlide $slide): array => [$slide, $this->canvas($slide)], $moving);
            for ($i = 0; $i < $segment->frames; ++$i) {
                foreach ($canvases as [$slide, $canvas]) {
                    $encoder->send($canvas->frame($slide->move->at($slide->progress($segment->start + $i))));
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
     * @param list<PlannedSlide> $slides
     * @param list<PlannedSlide> $moving
     *
     * @return list<string>
     */
    private function command(Segment $segment, array $slides, array $moving, string $to, Scratch $scratch): array
    {
        $graph = new FilterGraph();
        // Two moving pictures come one after the other at twice the rate, and are sorted apart again.
        $sent = [];
        if ([] !== $moving) {
            $all = $graph->input([...$this->raw(Rate::FPS * \count($moving)), '-i', 'pipe:0']);
            $sent = 1 === \count($moving) ? [$all] : array_map(
                static fn(string $half, int $k): string => $graph->filter("select='eq(mod(n\\,2)\\,{$k})',setpts=N/" . Rate::FPS . '/TB,fps=' . Rate::FPS, $half),
                $graph->split($all),
                [0, 1],
            );
        }
        $layers = [];
        foreach ($slides as $k => $slide) {
            $layers[] = self::moves($slide)
                ? $this->withWords($graph, $slide, (string) array_shift($sent))
                : $this->held($graph, $this->withWords($graph, $slide, $this->still($graph, $slide, $scratch->path("still-{$k}.yuv"))), $segment->frames);
        }
        $out = 2 === \count($layers) ? (new Joining($this->format, $scratch))->join($graph, $segment->slide->join, $layers[0], $layers[1]) : $layers[0];

        return [
            // Without -xerror an end that could not be written is no error to ffmpeg.
            'ffmpeg', '-nostdin', '-hide_banner', '-v', 'error', '-xerror', '-y', '-filter_threads', '1', '-filter_complex_threads', '1',
            ...$graph->arguments($graph->filter('format=yuv420p', $out)), '-frames:v', (string) $segment->frames, ...$this->format->video(), '-f', 'mp4', Tool::file($to),
        ];
    }

    /** @return list<string> */
    private function raw(int $rate = Rate::FPS): array
    {
        return ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', "{$this->format->width}x{$this->format->height}", '-r', (string) $rate];
    }

    private function still(FilterGraph $graph, PlannedSlide $slide, string $path): string
    {
        file_put_contents($path, null === $slide->image->picture
            ? Canvas::plain($slide->image->colour, $this->format->width, $this->format->height)
            : $this->canvas($slide)->frame($slide->move->opensOn));

        return $graph->input([...$this->raw(), '-i', Tool::file($path)]);
    }

    /** One frame, shown as long as is needed. */
    private function held(FilterGraph $graph, string $frame, int $frames): string
    {
        return $graph->filter('tpad=stop_mode=clone:stop=' . ($frames - 1), $frame);
    }

    private function withWords(FilterGraph $graph, PlannedSlide $slide, string $from): string
    {
        if ($slide->words->isEmpty()) {
            return $from;
        }
        $png = $this->makings->words($slide->words, $this->format->height);
        [$width, $height, $x, $y] = self::drawn($png);
        // The overlay's own conversion would use the wrong colour matrix.
        $words = $graph->filter(
            "crop={$width}:{$height}:{$x}:{$y},scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuva420p",
            $graph->input(['-f', 'png_pipe', '-i', Tool::file($png)]),
        );

        return $graph->filter("overlay=x={$x}:y={$y}:format=yuv420:eof_action=repeat", $from, $words);
    }

    /**
     * The part of the sheet that has anything drawn on it, on even pixels: laying an empty sheet on every frame would cost
     * as much as a quarter of its encoding.
     *
     * @return array{int, int, int, int} width, height, x, y
     */
    private static function drawn(string $png): array
    {
        $image = new \Imagick();
        $image->readImageBlob((string) file_get_contents($png));
        [$whole, $high] = [$image->getImageWidth(), $image->getImageHeight()];
        $image->trimImage(0);
        /** @var array{x: int, y: int} $page */
        $page = $image->getImagePage();
        $x = max(0, $page['x'] & ~1);
        $y = max(0, $page['y'] & ~1);

        return [min($whole - $x, $page['x'] - $x + $image->getImageWidth() + 1 & ~1), min($high - $y, $page['y'] - $y + $image->getImageHeight() + 1 & ~1), $x, $y];
    }

    private static function moves(PlannedSlide $slide): bool
    {
        return null !== $slide->image->picture && !$slide->move->isStill();
    }

    private function canvas(PlannedSlide $slide): Canvas
    {
        return $this->canvases->of(
            $this->makings->image($slide->image, $this->shape),
            $this->format->width,
            $this->format->height,
            min($slide->move->opensOn->width, $slide->move->closesOn->width),
        );
    }
}
