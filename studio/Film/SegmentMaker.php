<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * Makes one segment: frames of each picture by its framing, sent to ffmpeg, which lays the words on them, crossfades
 * and encodes. In a join the two pictures are sent as one tall frame.
 */
final readonly class SegmentMaker
{
    public function __construct(private Makings $makings, private Shape $shape, private int $height) {}

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
        $encoder = new Encoder($this->command($segment, $partial));
        $pictures = array_map($this->pictures(...), array_values(array_filter([$segment->slide, $segment->next])));
        try {
            for ($i = 0; $i < $segment->frames; ++$i) {
                foreach ($pictures as $picture) {
                    $encoder->send($picture($segment->start + $i));
                }
                if (null !== $progress && 0 === $i % 15 && !$progress($i)) {
                    $encoder->stop();

                    return false;
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
     * Planes of two pictures cannot simply follow each other in one tall frame, so in a join each goes as a frame of its
     * own, at twice the rate, and ffmpeg sorts them apart again.
     *
     * @return list<string>
     */
    private function command(Segment $segment, string $to): array
    {
        $width = $this->shape->width($this->height);
        $inputs = ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', "{$width}x{$this->height}", '-r', (string) (Rate::FPS * (null === $segment->next ? 1 : 2)), '-i', 'pipe:0'];
        $filters = [];
        if (null === $segment->next) {
            $out = $this->withWords($segment->slide, '0:v', 'a', $inputs, $filters);
        } else {
            $rate = 'setpts=N/' . Rate::FPS . '/TB,fps=' . Rate::FPS;
            $filters[] = "[0:v]split[s0][s1];[s0]select='eq(mod(n\\,2)\\,0)',{$rate}[p0];[s1]select='eq(mod(n\\,2)\\,1)',{$rate}[p1]";
            $first = $this->withWords($segment->slide, 'p0', 'a', $inputs, $filters);
            $second = $this->withWords($segment->next, 'p1', 'b', $inputs, $filters);
            $filters[] = \sprintf('[%s][%s]xfade=transition=fade:duration=%.6F:offset=0[x]', $first, $second, Rate::seconds($segment->frames));
            $out = 'x';
        }
        $filters[] = "[{$out}]format=yuv420p[v]";

        return [
            'ffmpeg', '-nostdin', '-hide_banner', '-v', 'error', '-y', '-filter_threads', '1', '-filter_complex_threads', '1', ...$inputs,
            '-filter_complex', implode(';', $filters), '-map', '[v]', '-frames:v', (string) $segment->frames, ...FilmFormat::video(), '-f', 'mp4', Tool::file($to),
        ];
    }

    /**
     * @param list<string> $inputs
     * @param list<string> $filters
     *
     * @param-out list<string> $inputs
     * @param-out list<string> $filters
     */
    private function withWords(PlannedSlide $slide, string $from, string $label, array &$inputs, array &$filters): string
    {
        if ($slide->words->isEmpty()) {
            return $from;
        }
        $number = \count(array_keys($inputs, '-i', true));
        array_push($inputs, '-f', 'png_pipe', '-i', Tool::file($this->makings->words($slide->words, $this->height)));
        // The overlay's own conversion would use the wrong colour matrix.
        $filters[] = "[{$number}:v]scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuva420p[w{$label}]";
        $filters[] = "[{$from}][w{$label}]overlay=format=yuv420:eof_action=repeat[{$label}]";

        return $label;
    }

    /** @return \Closure(int): string the picture of a slide, without its words, at a frame of the film */
    private function pictures(PlannedSlide $slide): \Closure
    {
        $width = $this->shape->width($this->height);
        if (null === $slide->image->picture) {
            $plain = Canvas::plain($slide->image->colour, $width, $this->height);

            return static fn(int $frame): string => $plain;
        }
        $closest = min($slide->move->opensOn->width, $slide->move->closesOn->width);
        $canvas = Canvas::ofPicture($this->makings->image($slide->image, $this->shape), $width, $this->height, $closest);
        if ($slide->move->isStill()) {
            $still = $canvas->frame($slide->move->opensOn);

            return static fn(int $frame): string => $still;
        }

        return static fn(int $frame): string => $canvas->frame($slide->move->at($slide->progress($frame)));
    }
}
