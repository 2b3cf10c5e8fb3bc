<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Sound\Breaths;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Listens to a prepared recording where breath may be drawn. */
final class BreathFinder
{
    /**
     * @param list<float> $levels RMS in dBFS for each 10 ms
     *
     * @return list<array{int, int}> as Breaths tells them
     *
     * @throws ToolFailed
     */
    public static function of(string $flac, array $levels): array
    {
        $scratch = new Scratch(\dirname($flac));
        $raw = $scratch->path('raw');
        Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($flac), '-ar', (string) Breaths::RATE, '-ac', '1', '-f', 's16le', Tool::file($raw),
        ], 600);
        $file = fopen($raw, 'r') ?: throw ToolFailed::elsewhere('breaths');
        try {
            return Breaths::of($levels, static function (int $from, int $to) use ($file): array {
                $bytes = (string) stream_get_contents($file, 2 * max(0, $to - $from), 2 * $from);
                /** @var array<int, int> $samples */
                $samples = unpack('s*', $bytes) ?: [];

                return array_map(static fn(int $sample): float => $sample / 32_768, array_values($samples));
            });
        } finally {
            fclose($file);
        }
    }
}
