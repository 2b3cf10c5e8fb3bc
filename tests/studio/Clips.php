<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use Rhapsode\Studio\Tool\Tool;

/** Clips whose every frame shows its number, in ten squares along its top: white for one, black for nought, the lowest first. */
final class Clips
{
    private const BITS = 10;

    /**
     * @param list<string> $coder
     * @param string       $rate  frames in a second; the numbers count thirtieths of a second all the same
     */
    public static function counted(string $path, float $seconds, array $coder, string $rate = '30'): void
    {
        $squares = ['drawbox=x=0:y=0:w=640:h=40:color=black:t=fill'];
        for ($bit = 0; $bit < self::BITS; ++$bit) {
            $squares[] = \sprintf(
                "drawbox=x=%d:y=0:w=64:h=40:color=white:t=fill:enable='gt(mod(floor(round(t*30-0.01)/%d)\\,2)\\,0)'",
                64 * $bit,
                1 << $bit,
            );
        }
        Tool::ffmpeg([
            '-v', 'error', '-f', 'lavfi', '-i', "testsrc2=s=640x360:r={$rate}:d={$seconds}", '-f', 'lavfi', '-i', "sine=440:r=48000:d={$seconds}",
            '-vf', implode(
                ',',
                $squares,
            ) . ',scale=out_color_matrix=bt709:out_range=tv', '-pix_fmt', 'yuv420p', ...$coder, Tool::file($path),
        ], 120);
    }

    /** @return list<int> the number that each frame shows, where its top is the film's */
    public static function numbers(string $film): array
    {
        [$raw] = Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($film), '-vf',
            'scale=640:360:flags=area,crop=640:32:0:2,scale=10:1:flags=area,format=gray', '-f', 'rawvideo', '-',
        ], 120);
        $numbers = [];
        foreach ('' === $raw ? [] : str_split($raw, self::BITS) as $bits) {
            $numbers[] = array_sum(array_map(
                static fn(string $light, int $bit): int => \ord($light) > 120 ? 1 << $bit : 0,
                str_split($bits),
                range(0, self::BITS - 1),
            ));
        }

        return $numbers;
    }
}
