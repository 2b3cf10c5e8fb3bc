<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/**
 * One scene of a segment while its layers are laid upon each other. What stands still is one frame for as long as it can be: it
 * is repeated only when something over it changes, or when all is laid.
 */
final class ScenePainting
{
    private ?string $painted = null;
    private bool $isOneFrame = true;

    /**
     * @param int $start  the segment's first frame, counted from the scene's start
     * @param int $frames of the segment
     */
    public function __construct(
        private readonly FilterGraph $graph,
        private readonly FilmFormat $format,
        private readonly Scratch $scratch,
        private readonly Scene $scene,
        private readonly int $start,
        private readonly int $frames,
    ) {}

    /** Something that covers all that is there. @param string $label of a stream of one frame, or of all */
    public function cover(string $label, bool $isOneFrame): void
    {
        $this->painted = $label;
        $this->isOneFrame = $isOneFrame;
    }

    /** @return non-empty-list<float> how far what moves in the scene has come at each frame of the segment, 0 to 1 */
    public function progress(): array
    {
        return array_map(
            fn(int $frame): float => $this->scene->progress($this->scene->start + $this->start + $frame),
            range(0, $this->frames - 1),
        );
    }

    /** @return non-empty-list<float> the opacity of something at each frame of the segment */
    public function opacities(Envelope $opacity): array
    {
        return array_map(fn(int $frame): float => $opacity->at($this->start + $frame), range(0, $this->frames - 1));
    }

    /**
     * Lays drawings over what is there, one for each frame of the segment.
     *
     * @param list<string> $pngs of one size
     */
    public function layEach(array $pngs, int $x, int $y): void
    {
        $path = $this->path();
        file_put_contents($path, implode('', $pngs));
        $under = $this->all();
        $this->painted = $this->graph->filter("overlay=x={$x}:y={$y}:format=yuv420:eof_action=repeat", $under, $this->graph->filter(
            Overlay::CONVERT,
            $this->graph->input(['-f', 'image2pipe', '-c:v', 'png', '-framerate', (string) Rate::FPS, '-i', Tool::file($path)]),
        ));
    }

    /**
     * Lays a sheet over what is there that passes: it lies again beside and below itself.
     *
     * @param string                    $png    of the film's size
     * @param string                    $colour of all of it, #rrggbb
     * @param float                     $cover  how far it is seen, 0 to 1
     * @param array{x: float, y: float} $step   how far it comes in a frame, in shares of the film's width and height
     * @param int                       $since  frames for which it has passed when the scene begins
     */
    public function pass(string $png, string $colour, float $cover, array $step, int $since): void
    {
        $path = $this->path();
        [$width, $height] = [$this->format->width, $this->format->height];
        file_put_contents($path, Canvas::plain($colour, 2 * $width, 2 * $height));
        // As fine as one pixel: all of it has one colour, so that it does not matter that colours are only as fine as two.
        // (The filter's own count of frames begins at one.)
        $from = fn(string $axis, int $length): string => \sprintf(
            "%s='%d-round(%d*mod(%.8F*(round(t*%d)+%d)\\,1))'",
            $axis,
            $length,
            $length,
            $step[$axis],
            Rate::FPS,
            $since + $this->start,
        );
        $sheet = $this->graph->filter(
            \sprintf('tpad=stop_mode=clone:stop=%d,crop=%d:%d:%s:%s:exact=1', $this->frames - 1, $width, $height, $from('x', $width), $from('y', $height)),
            $this->graph->filter('alphamerge', $this->graph->input([
                '-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', 2 * $width . 'x' . 2 * $height, '-r', (string) Rate::FPS, '-i', Tool::file($path),
            ]), $this->graph->filter(
                \sprintf('format=rgba,colorchannelmixer=aa=%.4F,alphaextract,loop=loop=3:size=1,tile=2x2', $cover),
                $this->graph->input(['-framerate', (string) Rate::FPS, '-f', 'png_pipe', '-i', Tool::file($png)]),
            )),
        );
        $this->painted = $this->graph->filter('overlay=format=yuv420:eof_action=repeat', $this->all(), $sheet);
    }

    /**
     * Lays a drawing as wide as the film over what is there, that moves up or down; what lies outside the film is not seen.
     *
     * @param Envelope $top its upper edge, in shares of the film's height
     */
    public function roll(string $png, Envelope $top): void
    {
        [$width, $height] = [$this->format->width, $this->format->height];
        // With as much air above and below it as the film is high, of which that is cut out which is seen. (In RGB: with colours that
        // are only as fine as two pixels it could come by two only. The filter's own count of frames begins at one.)
        $cut = \sprintf(
            "pad=iw:ih+2*%2\$d:0:%2\$d:black@0,tpad=stop_mode=clone:stop=%3\$d,crop=%1\$d:%2\$d:0:'%2\$d-round(%2\$d*(%4\$s))'",
            $width,
            $height,
            $this->frames - 1,
            self::expression($top, \sprintf('(round(t*%d)+%d)', Rate::FPS, $this->start)),
        );
        $this->painted = $this->graph->filter('overlay=format=yuv420:eof_action=repeat', $this->all(), $this->graph->filter(
            "format=rgba,{$cut}," . Overlay::CONVERT,
            $this->graph->input(['-framerate', (string) Rate::FPS, '-f', 'png_pipe', '-i', Tool::file($png)]),
        ));
    }

    /**
     * Lays a drawing over what is there that is moved about, so that its middle is where the pointer is.
     *
     * @param int $across its width, and its height
     */
    public function point(string $png, int $across, int $down, PlannedPointing $layer): void
    {
        $end = $this->start + $this->frames;
        if ($layer->goes <= $this->start || $layer->comes >= $end) {
            return;
        }
        [$width, $height] = [$this->format->width, $this->format->height];
        [[$comes, $seen], [$goes, $gone]] = self::fades($layer->opacity());
        // A fade that has begun before the segment is begun with it, and what was of it is left out.
        $early = 0;
        foreach ([[$comes, $seen], [$goes, $gone]] as [$from, $to]) {
            $early = max($early, $from < $this->start && $to > $this->start ? $this->start - $from : 0);
        }
        $first = $this->start - $early;
        $places = array_map(function (int $frame) use ($layer, $width, $height): array {
            $at = $layer->at($frame, $this->scene->progress($this->scene->start + $frame));

            return [(int) round($at->x * $width), (int) round($at->y * $height)];
        }, range($first, $end - 1));
        [$xs, $ys] = [array_column($places, 0), array_column($places, 1)];
        // Only as much of the film as it comes to.
        [$left, $top] = [max(0, min($xs) - intdiv($across, 2)) & ~1, max(0, min($ys) - intdiv($down, 2)) & ~1];
        $wide = min($width, max($xs) + intdiv($across, 2) + 2 & ~1) - $left;
        $high = min($height, max($ys) + intdiv($down, 2) + 2 & ~1) - $top;
        if ($wide <= 0 || $high <= 0) {
            return;
        }
        // With air around it, of which that is cut out which is seen.
        $airX = max(0, max($xs) - $left - intdiv($across, 2), $wide - intdiv($across, 2) + $left - min($xs));
        $airY = max(0, max($ys) - $top - intdiv($down, 2), $high - intdiv($down, 2) + $top - min($ys));
        $cut = \sprintf(
            "pad=iw+2*%1\$d:ih+2*%2\$d:%1\$d:%2\$d:black@0,tpad=stop_mode=clone:stop=%3\$d,crop=%4\$d:%5\$d:'%6\$d-(%7\$s)':'%8\$d-(%9\$s)'",
            $airX,
            $airY,
            \count($places) - 1,
            $wide,
            $high,
            $airX + intdiv($across, 2) + $left,
            self::places($xs),
            $airY + intdiv($down, 2) + $top,
            self::places($ys),
        );
        $fade = static fn(string $way, int $from, int $to): string => $from < $end && $to > $first
            ? \sprintf(',fade=t=%s:s=%d:n=%d:alpha=1', $way, $from - $first, max(1, $to - $from)) : '';
        $this->painted = $this->graph->filter("overlay=x={$left}:y={$top}:format=yuv420:eof_action=repeat", $this->all(), $this->graph->filter(
            "format=rgba,{$cut}" . $fade('in', $comes, $seen) . $fade('out', $goes, $gone)
                . (0 === $early ? ',' : ",trim=start_frame={$early},setpts=PTS-STARTPTS,") . Overlay::CONVERT,
            $this->graph->input(['-framerate', (string) Rate::FPS, '-f', 'png_pipe', '-i', Tool::file($png)]),
        ));
    }

    /** @return array{array{int, int}, array{int, int}} the frames between which something comes, and goes */
    private static function fades(Envelope $opacity): array
    {
        $at = array_column($opacity->points, 0);

        return [[$at[0], $at[1]], [$at[2], $at[3]]];
    }

    /**
     * Whole pixels at each frame, as a filter computes them: what is added at each frame at which it moves.
     *
     * @param list<int> $places
     */
    private static function places(array $places): string
    {
        $said = [(string) $places[0]];
        foreach ($places as $n => $place) {
            $by = $n > 0 ? $place - $places[$n - 1] : 0;
            if (0 !== $by) {
                $said[] = \sprintf('%d*gte(round(t*%d)\,%d)', $by, Rate::FPS, $n);
            }
        }

        return self::sum($said);
    }

    /**
     * In halves of halves: of some hundred in one row a filter sees no end.
     *
     * @param non-empty-list<string> $terms
     */
    private static function sum(array $terms): string
    {
        $half = intdiv(\count($terms), 2);

        $first = \array_slice($terms, 0, $half);
        $second = \array_slice($terms, $half);

        return [] === $first || [] === $second ? $terms[0] : '(' . self::sum($first) . '+' . self::sum($second) . ')';
    }

    /** An envelope as a filter computes it. @param string $frame how it counts the frames of the scene */
    private static function expression(Envelope $envelope, string $frame): string
    {
        $said = '';
        $before = $envelope->points[0];
        foreach ($envelope->points as [$at, $value]) {
            $said .= $at <= $before[0] ? '' : \sprintf(
                'if(lt(%1$s\,%2$d)\,%3$.8F+%4$.8F*max(0\,%1$s-%5$d)\,',
                $frame,
                $at,
                $before[1],
                ($value - $before[1]) / ($at - $before[0]),
                $before[0],
            );
            $before = [$at, $value];
        }

        return $said . \sprintf('%.8F', $before[1]) . str_repeat(')', substr_count($said, 'if('));
    }

    /** Lays a drawing of the film's size over what is there. */
    public function lay(string $png, Envelope $opacity, ?Coming $coming = null): void
    {
        $overlay = Overlay::of($png, $coming?->takes());
        $stretches = Envelope::together([$opacity, ...$coming?->envelopes() ?? []], $this->start, $this->start + $this->frames);
        if (1 === \count($stretches) && !$stretches[0][2] && ($coming?->isThere($this->start) ?? true)) {
            $seen = $opacity->at($this->start);
            if ($seen > 0) {
                $words = 1.0 === $seen
                    ? $this->graph->filter($overlay->taken(), $this->graph->input(['-f', 'png_pipe', '-i', Tool::file($png)]))
                    : $this->raw($overlay, $overlay->faded($overlay->bytes($this->path()), $seen));
                $this->painted = $this->graph->filter(
                    "overlay=x={$overlay->x}:y={$overlay->y}:format=yuv420:eof_action=repeat",
                    $this->under(),
                    $words,
                );
            }

            return;
        }
        $bytes = $overlay->bytes($this->path());
        $this->painted = $this->all();
        foreach ($stretches as [$from, $to, $changes]) {
            $this->layStretch($overlay, $bytes, $opacity, $coming, [$from, $to, $changes]);
        }
    }

    /** @param array{int, int, bool} $stretch from, to (exclusive), and whether it changes */
    private function layStretch(Overlay $overlay, string $bytes, Envelope $opacity, ?Coming $coming, array $stretch): void
    {
        [$from, $to, $changes] = $stretch;
        if (!$changes && 0.0 === $opacity->at($from)) {
            return;
        }
        $frames = '';
        for ($frame = $from; $frame < ($changes ? $to : $from + 1); ++$frame) {
            $seen = null === $coming || $coming->isThere($frame) ? $bytes : $coming->seen($overlay, $bytes, $frame);
            $frames .= $overlay->faded($seen, $opacity->at($frame));
        }
        $held = $changes ? '' : \sprintf('tpad=stop_mode=clone:stop=%d,', $to - $from - 1);
        // Its frames come at their very times, and before and after them the overlay lets pass what is under it. (Its `enable` would
        // lose those that lie within the stretch: what comes while it is disabled is not looked at.)
        $timed = $this->graph->filter(
            \sprintf('%ssetpts=PTS+%d/%d/TB', $held, $from - $this->start, Rate::FPS),
            $this->raw($overlay, $frames),
        );
        $this->painted = $this->graph->filter(
            "overlay=x={$overlay->x}:y={$overlay->y}:format=yuv420:eof_action=pass",
            $this->under(),
            $timed,
        );
    }

    private function raw(Overlay $overlay, string $bytes): string
    {
        $path = $this->path();
        file_put_contents($path, $bytes);

        return $this->graph->input([
            '-f', 'rawvideo', '-pix_fmt', 'yuva420p', '-s', "{$overlay->width}x{$overlay->height}", '-r',
            (string) Rate::FPS, '-i', Tool::file($path),
        ]);
    }

    /** A frame of the film's size as a stream. @param string $bytes planar yuv420p */
    public function frame(string $bytes): string
    {
        $path = $this->path();
        file_put_contents($path, $bytes);

        return $this->graph->input([...$this->format->raw(), '-i', Tool::file($path)]);
    }

    /** The stream of all its frames. */
    public function all(): string
    {
        $under = $this->under();
        if ($this->isOneFrame) {
            $this->isOneFrame = false;
            $this->painted = $this->graph->filter('tpad=stop_mode=clone:stop=' . ($this->frames - 1), $under);
        }

        return (string) $this->painted;
    }

    /** What is there already: the scene's ground, where nothing is. */
    private function under(): string
    {
        return $this->painted ??= $this->frame(Canvas::plain($this->scene->ground, $this->format->width, $this->format->height));
    }

    private function path(): string
    {
        return $this->scratch->path('frame-' . bin2hex(random_bytes(4)) . '.yuv');
    }
}
