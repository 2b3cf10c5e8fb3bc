<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Studio\Tool\Running;
use Rhapsode\Studio\Tool\ToolFailed;

/** A running ffmpeg that takes frames on its standard input. */
final class Encoder
{
    private Running $ffmpeg;
    /** @var resource */
    private $errors;

    /**
     * @param list<string> $command
     *
     * @throws ToolFailed
     */
    public function __construct(array $command)
    {
        $this->errors = tmpfile() ?: throw ToolFailed::notWritten('ffmpeg.log');
        $this->ffmpeg = Running::begin($command, true, false, $this->errors);
    }

    /** @throws ToolFailed */
    public function send(string $frame): void
    {
        $input = $this->ffmpeg->input;
        \assert(\is_resource($input));
        $sent = 0;
        $length = \strlen($frame);
        while ($sent < $length) {
            $wrote = @fwrite($input, 0 === $sent ? $frame : substr($frame, $sent));
            if (false === $wrote || 0 === $wrote) {
                $this->finish();

                throw ToolFailed::ended('ffmpeg', 0, 'before all frames were sent');
            }
            $sent += $wrote;
        }
    }

    /** Waits until the file is written. @throws ToolFailed */
    public function finish(): void
    {
        $code = $this->ffmpeg->end();
        if (0 !== $code) {
            rewind($this->errors);

            throw ToolFailed::ended('ffmpeg', $code, (string) stream_get_contents($this->errors));
        }
    }

    public function stop(): void
    {
        $this->ffmpeg->stop();
    }
}
