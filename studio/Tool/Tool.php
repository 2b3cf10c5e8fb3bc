<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** Runs an outside program: its arguments as a list (never through a shell), within limits of time and memory. */
final class Tool
{
    /**
     * @param list<string> $command
     * @param float        $seconds   after which it is ended
     * @param int          $megabytes address space it may use
     *
     * @return array{string, string} what it wrote to its output and to its error output
     *
     * @throws ToolFailed
     */
    public static function run(array $command, float $seconds = 60, int $megabytes = 4000, ?string $input = null): array
    {
        $process = new Process(
            ['prlimit', '--as=' . $megabytes * 1_000_000, '--', ...$command],
            env: ['FONTCONFIG_FILE' => \dirname(__DIR__) . '/fonts/fonts.conf', 'LC_ALL' => 'C.UTF-8'],
            input: $input,
            timeout: $seconds,
        );
        try {
            $process->run();
        } catch (ProcessTimedOutException) {
            throw new ToolFailed(\sprintf('%s took longer than %d s.', $command[0], (int) $seconds));
        }
        if (!$process->isSuccessful()) {
            throw new ToolFailed(\sprintf('%s ended with %d: %s', $command[0], (int) $process->getExitCode(), trim(substr($process->getErrorOutput(), -2000))));
        }

        return [$process->getOutput(), $process->getErrorOutput()];
    }

    /**
     * ffmpeg, which may read files and pipes only.
     *
     * @param list<string> $arguments
     *
     * @return array{string, string}
     *
     * @throws ToolFailed
     */
    public static function ffmpeg(array $arguments, float $seconds = 60): array
    {
        return self::run(['ffmpeg', '-nostdin', '-hide_banner', '-protocol_whitelist', 'file,pipe', '-y', ...$arguments], $seconds);
    }

    /** A path as ffmpeg takes it for a plain file, whatever characters are in it. */
    public static function file(string $path): string
    {
        return 'file:' . $path;
    }
}
