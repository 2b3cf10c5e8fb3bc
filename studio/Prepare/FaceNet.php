<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Studio\Tool\Tool;

/**
 * The process in which faces are found: begun when it is first asked, and again after it has ended. To begin takes longer than to
 * look, so that it waits for the next picture, for as long as it is made to (faces.cjs).
 */
final class FaceNet
{
    /** Seconds for one picture, and megabytes of address space, of which it takes much and uses little. */
    private const SECONDS = 30.0;
    private const MEGABYTES = 60_000;

    private static ?self $running = null;

    /**
     * @param resource       $process
     * @param array{resource, resource} $pipes to it and from it
     */
    private function __construct(private $process, private array $pipes) {}

    public function __destruct()
    {
        array_map(fclose(...), $this->pipes);
        proc_terminate($this->process, \SIGKILL);
        proc_close($this->process);
    }

    /**
     * @param string $pixels red, green and blue of one after the other
     *
     * @return string|null what it answers, one line of JSON; null where it does not
     */
    public static function ask(string $pixels, int $width, int $height): ?string
    {
        // One that waited too long has ended meanwhile.
        for ($tries = 0; $tries < 2; ++$tries) {
            $isNew = null === self::$running;
            self::$running ??= self::begun();
            $answer = self::$running?->answer("{$width} {$height}\n{$pixels}");
            if (null !== $answer) {
                return $answer;
            }
            self::$running = null;
            if ($isNew) {
                return null;
            }
        }

        return null;
    }

    private static function begun(): ?self
    {
        $command = ['prlimit', '--as=' . self::MEGABYTES * 1_000_000, '--', 'node', '--max-old-space-size=256', __DIR__ . '/faces.cjs'];
        $process = proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes, null, Tool::environment());
        if (!\is_resource($process) || !\is_resource($pipes[0] ?? null) || !\is_resource($pipes[1] ?? null)) {
            return null;
        }
        stream_set_blocking($pipes[0], false);
        stream_set_blocking($pipes[1], false);

        return new self($process, [$pipes[0], $pipes[1]]);
    }

    private function answer(string $asked): ?string
    {
        [$to, $from] = $this->pipes;
        $said = '';
        $late = microtime(true) + self::SECONDS;
        while (!str_ends_with($said, "\n")) {
            [$read, $write, $none] = [[$from], '' === $asked ? [] : [$to], []];
            $left = $late - microtime(true);
            if ($left <= 0 || !@stream_select($read, $write, $none, (int) ceil($left))) {
                return null;
            }
            // Neither waits: what is not ready gives nothing.
            $said .= $more = (string) fread($from, 65_536);
            if ('' === $more && feof($from)) {
                return null;
            }
            $sent = '' === $asked ? 0 : @fwrite($to, $asked);
            if (false === $sent) {
                return null;
            }
            $asked = substr($asked, $sent);
        }

        return $said;
    }
}
