<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Plan\PlannedTransition;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/**
 * Performs a transition as PlannedTransition tells it, from two streams of its length: each frame has a mask, white where the next
 * slide is seen. A mask is the same along one side or both, so only one row, column or dot of it is drawn, and spread out.
 */
final readonly class TransitionPainter
{
    public function __construct(private FilmFormat $format, private Scratch $scratch) {}

    public function paint(FilterGraph $graph, PlannedTransition $transition, string $from, string $to): string
    {
        if (null !== $transition->colour) {
            $path = $this->scratch->path('colour.yuv');
            file_put_contents($path, Canvas::plain($transition->colour, $this->format->width, $this->format->height));
            $colour = $graph->filter(
                'tpad=stop_mode=clone:stop=' . ($transition->frames - 1),
                $this->raw($graph, $this->format->width, $this->format->height, $path),
            );
            $from = $this->merge($graph, $from, $colour, $this->even($transition->frames, static fn(float $p): float => 2 * $p));

            return $this->merge($graph, $from, $to, $this->even($transition->frames, static fn(float $p): float => 2 * $p - 1));
        }

        return $this->merge($graph, $from, $to, null === $transition->toward ? $this->even(
            $transition->frames,
            static fn(float $p): float => $p,
        ) : $this->edge($transition->frames, $transition->toward));
    }

    /** @param array{int, int, string} $mask width, height, bytes */
    private function merge(FilterGraph $graph, string $from, string $to, array $mask): string
    {
        [$width, $height, $bytes] = $mask;
        $path = $this->scratch->path('mask-' . bin2hex(random_bytes(4)) . '.yuv');
        file_put_contents($path, $bytes);
        $spread = $graph->filter(
            "scale={$this->format->width}:{$this->format->height}:flags=neighbor",
            $this->raw($graph, $width, $height, $path),
        );

        return $graph->filter('maskedmerge', $from, $to, $spread);
    }

    private function raw(FilterGraph $graph, int $width, int $height, string $path): string
    {
        return $graph->input(
            ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', "{$width}x{$height}", '-r', (string) Rate::FPS, '-i', Tool::file($path)],
        );
    }

    /**
     * @param \Closure(float): float $weight of the next slide, by progress
     *
     * @return array{int, int, string}
     */
    private function even(int $frames, \Closure $weight): array
    {
        $bytes = '';
        for ($n = 0; $n < $frames; ++$n) {
            $bytes .= str_repeat(self::grey($weight($n / $frames)), 6);
        }

        return [2, 2, $bytes];
    }

    /**
     * @param 'right'|'left'|'top' $toward
     *
     * @return array{int, int, string}
     */
    private function edge(int $frames, string $toward): array
    {
        $length = 'top' === $toward ? $this->format->height : $this->format->width;
        $bytes = '';
        for ($n = 0; $n < $frames; ++$n) {
            foreach ([$length => 2, intdiv($length, 2) => 1] as $count => $thick) {
                $line = $this->line($count, $n / $frames, 'right' !== $toward);
                // The colour planes follow the light one, at half its size: two of one line, where that has two lines.
                $bytes .= 'top' === $toward && 2 === $thick ? implode(
                    '',
                    array_map(static fn(string $grey): string => $grey . $grey, str_split($line)),
                ) : $line . $line;
            }
        }

        return 'top' === $toward ? [2, $length, $bytes] : [$length, 2, $bytes];
    }

    private function line(int $length, float $progress, bool $turned): string
    {
        $line = '';
        for ($i = 0; $i < $length; ++$i) {
            $line .= self::grey(($progress * (1 + PlannedTransition::SOFT) - ($i + 0.5) / $length) / PlannedTransition::SOFT);
        }

        return $turned ? strrev($line) : $line;
    }

    private static function grey(float $weight): string
    {
        return \chr((int) round(255 * max(0.0, min(1.0, $weight))));
    }
}
