<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/** Makes music for beds ready, whatever it came as, and measures it. */
final class MusicPreparer
{
    /** @param string $folder where its files go (MeasuredMusic) @throws Unreadable */
    public function prepare(string $path, string $folder): MeasuredMusic
    {
        $flac = $folder . '/' . MeasuredMusic::FULL;
        // What lies below hearing would only take room from what is heard, and the lighter copy loses it anyway.
        $samples = SoundReader::toFlac($path, SoundReader::kind($path), $flac, 'stereo', ',highpass=f=20');
        try {
            Tool::ffmpeg([
                '-v', 'error', '-i', Tool::file($flac), '-c:a', 'libopus', '-b:a', '96k', '-fflags', '+bitexact', '-f',
                'ogg', Tool::file($folder . '/' . MeasuredMusic::LIGHT),
            ], 600);
            [$loudness, $loudest, $peak] = SoundReader::loudness($flac);
        } catch (ToolFailed $problem) {
            throw new Unreadable('sound.broken', previous: $problem);
        }

        return new MeasuredMusic($samples, $loudness, $loudest, $peak);
    }
}
