<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Sound\Cepstra;
use Rhapsode\Core\Sound\Repeats;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** Listens to a prepared recording for what was begun again. */
final class RepeatFinder
{
    /**
     * @param list<array{int, int}> $pauses as measured
     * @param int                   $from   the voice's first sample
     *
     * @return list<array{int, int}> as Repeats tells them
     *
     * @throws ToolFailed
     */
    public static function of(string $flac, array $pauses, int $from): array
    {
        [$bytes] = Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($flac), '-ar', (string) Cepstra::RATE, '-ac', '1', '-f', 'f32le', '-',
        ], 600);
        /** @var array<int, float> $samples */
        $samples = unpack('g*', $bytes) ?: [];

        return Repeats::of(Cepstra::of(array_values($samples)), $pauses, $from);
    }
}
