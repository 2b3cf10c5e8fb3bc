<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Studio\Prepare\ClipPreparer;
use Rhapsode\Studio\Tool\Running;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** A running ffmpeg that gives the frames of a prepared clip one after the other; asked for another one it begins there. */
final class ClipReader
{
    private ?Running $ffmpeg = null;
    /** The number of the frame read last, and its bytes. */
    private ?int $at = null;
    private string $frame = '';

    /**
     * @param string       $mp4     a prepared clip
     * @param list<string> $filters what is done to its frames
     * @param int          $bytes   of a frame so made
     */
    public function __construct(private readonly string $mp4, private readonly array $filters, private readonly int $bytes) {}

    /** @throws ToolFailed */
    public function frame(int $number): string
    {
        if ($number === $this->at) {
            return $this->frame;
        }
        if (null === $this->at || $number !== $this->at + 1) {
            $this->begin($number);
        }
        $frame = '';
        $output = $this->ffmpeg?->output;
        while (\is_resource($output) && \strlen($frame) < $this->bytes) {
            $read = fread($output, max(1, $this->bytes - \strlen($frame)));
            if (false === $read || '' === $read) {
                throw ToolFailed::notRead($this->mp4);
            }
            $frame .= $read;
        }
        $this->at = $number;

        return $this->frame = $frame;
    }

    private function begin(int $number): void
    {
        $this->ffmpeg?->stop();
        $this->ffmpeg = Running::begin([
            ...Tool::FFMPEG, '-v', 'quiet', '-threads', '1', ...ClipPreparer::from($number), '-i', Tool::file($this->mp4),
            '-filter_threads', '1', '-vf', implode(',', [...$this->filters, 'format=yuv420p']), '-f', 'rawvideo', 'pipe:1',
        ], false, true);
    }
}
