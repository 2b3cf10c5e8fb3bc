<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

/** An outside program that runs beside this one, is written to or read from meanwhile, and ends with it at the latest. */
final class Running
{
    private bool $isOver = false;

    /**
     * @param resource      $process
     * @param resource|null $input   to write to
     * @param resource|null $output  to read from
     */
    private function __construct(private $process, public readonly mixed $input, public readonly mixed $output) {}

    public function __destruct()
    {
        $this->stop();
    }

    /**
     * @param list<string>  $command
     * @param resource|null $errors  where it writes what is wrong; null for nowhere
     *
     * @throws ToolFailed
     */
    public static function begin(array $command, bool $hears, bool $says, mixed $errors = null): self
    {
        $nowhere = ['file', '/dev/null', 'r+'];
        $process = proc_open(
            $command,
            [$hears ? ['pipe', 'r'] : $nowhere, $says ? ['pipe', 'w'] : $nowhere, $errors ?? $nowhere],
            $pipes,
            null,
            Tool::environment(),
        );
        if (!\is_resource($process)) {
            throw ToolFailed::notStarted($command[0]);
        }

        return new self($process, $pipes[0] ?? null, $pipes[1] ?? null);
    }

    /** Nothing more is said to it: waits until it ends. @return int its exit code */
    public function end(): int
    {
        $this->isOver = true;
        foreach ([$this->input, $this->output] as $pipe) {
            \is_resource($pipe) && fclose($pipe);
        }

        return proc_close($this->process);
    }

    public function stop(): void
    {
        if (!$this->isOver) {
            proc_terminate($this->process, \SIGKILL);
            $this->end();
        }
    }
}
