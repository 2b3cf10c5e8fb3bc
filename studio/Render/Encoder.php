<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** A running ffmpeg that takes frames on its standard input. */
final class Encoder
{
    /** @var resource */
    private $process;
    /** @var resource */
    private $input;
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
        $process = proc_open($command, [['pipe', 'r'], ['file', '/dev/null', 'w'], $this->errors], $pipes, null, Tool::environment());
        if (!\is_resource($process) || !\is_resource($pipes[0] ?? null)) {
            throw ToolFailed::notStarted('ffmpeg');
        }
        $this->process = $process;
        $this->input = $pipes[0];
    }

    /** @throws ToolFailed */
    public function send(string $frame): void
    {
        $sent = 0;
        $length = \strlen($frame);
        while ($sent < $length) {
            $wrote = @fwrite($this->input, 0 === $sent ? $frame : substr($frame, $sent));
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
        fclose($this->input);
        $code = proc_close($this->process);
        if (0 !== $code) {
            rewind($this->errors);

            throw ToolFailed::ended('ffmpeg', $code, (string) stream_get_contents($this->errors));
        }
    }

    public function stop(): void
    {
        proc_terminate($this->process);
        fclose($this->input);
        proc_close($this->process);
    }
}
