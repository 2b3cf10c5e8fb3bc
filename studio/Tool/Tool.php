<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** Runs an outside program: its arguments as a list (never through a shell), within limits of time and memory. */
final class Tool
{
    /** It may read files and pipes only. */
    public const FFMPEG = ['ffmpeg', '-nostdin', '-hide_banner', '-protocol_whitelist', 'file,pipe', '-y'];

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
        $process = self::process($command, $seconds, $megabytes, $input);
        self::finish($process, $command[0], $seconds, null, static fn(): string => $process->getErrorOutput());

        return [$process->getOutput(), $process->getErrorOutput()];
    }

    /**
     * Hands on what a program writes to its output line by line, however much it is: nothing of it is held.
     *
     * @param list<string>          $command
     * @param \Closure(string): void $line
     *
     * @throws ToolFailed
     */
    public static function lines(array $command, \Closure $line, float $seconds = 60, int $megabytes = 4000): void
    {
        $process = self::process($command, $seconds, $megabytes, null);
        $process->disableOutput();
        $rest = $said = '';
        self::finish($process, $command[0], $seconds, static function (string $type, string $bytes) use (&$rest, &$said, $line): void {
            if (Process::ERR === $type) {
                $said = substr($said . $bytes, -2000);

                return;
            }
            $lines = explode("\n", $rest . $bytes);
            $rest = array_pop($lines);
            array_map($line, $lines);
        }, static function () use (&$said): string {
            return $said;
        });
        if ('' !== $rest) {
            $line($rest);
        }
    }

    /**
     * What an outside program sees of the environment: no address of a database, no secret.
     *
     * @return array<string, string>
     */
    public static function environment(): array
    {
        return [
            'PATH' => getenv('PATH') ?: '/usr/local/bin:/usr/bin:/bin',
            'HOME' => sys_get_temp_dir(),
            'LC_ALL' => 'C.UTF-8',
            'FONTCONFIG_FILE' => \dirname(__DIR__) . '/fonts/fonts.conf',
        ];
    }

    /** @param list<string> $command */
    private static function process(array $command, float $seconds, int $megabytes, ?string $input): Process
    {
        // Process adds the whole environment of PHP to what it is given, unless a name is said to be false.
        $hidden = array_fill_keys(array_filter(array_keys($_SERVER + $_ENV + getenv()), is_string(...)), false);

        return new Process(
            ['prlimit', '--as=' . $megabytes * 1_000_000, '--', ...$command],
            env: [...$hidden, ...self::environment()],
            input: $input,
            timeout: $seconds,
        );
    }

    /**
     * @param \Closure(string, string): void|null $hears
     * @param \Closure(): string                  $said  what it wrote to its error output
     *
     * @throws ToolFailed
     */
    private static function finish(Process $process, string $name, float $seconds, ?\Closure $hears, \Closure $said): void
    {
        try {
            $process->run($hears);
        } catch (ProcessTimedOutException $late) {
            throw ToolFailed::tookLonger($name, $seconds, $late);
        }
        if (!$process->isSuccessful()) {
            throw ToolFailed::ended($name, (int) $process->getExitCode(), $said());
        }
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
        return self::run([...self::FFMPEG, ...$arguments], $seconds);
    }

    /** A path as ffmpeg takes it for a plain file, whatever characters are in it. */
    public static function file(string $path): string
    {
        return 'file:' . $path;
    }
}
