<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

/**
 * A tool or a file did not do what it should: which, how it ended, and what it said. For the log, never for a page: paths are
 * told by their last part only.
 */
final class ToolFailed extends \RuntimeException
{
    /**
     * @param string      $tool the program or library; empty where none had begun
     * @param string|null $name the last part of its path
     * @param int|null    $exit the status it ended with; null where it did not end by itself
     * @param string      $said the end of its error output
     */
    private function __construct(
        string $message,
        public readonly string $tool = '',
        public readonly ?string $name = null,
        public readonly ?int $exit = null,
        public readonly string $said = '',
        ?\Throwable $previous = null,
    ) {
        parent::__construct($message, 0, $previous);
    }

    public static function ended(string $tool, int $exit, string $said): self
    {
        $said = trim(substr($said, -2000));

        return new self("{$tool} ended with {$exit}: {$said}", $tool, exit: $exit, said: $said);
    }

    public static function tookLonger(string $tool, float $seconds, ?\Throwable $previous = null): self
    {
        return new self(\sprintf('%s took longer than %d s.', $tool, (int) $seconds), $tool, previous: $previous);
    }

    public static function notStarted(string $tool): self
    {
        return new self("{$tool} cannot be started.", $tool);
    }

    /** @param string $what what it was to do */
    public static function unable(string $tool, string $what, ?\Throwable $previous = null): self
    {
        return new self("{$tool} cannot {$what}.", $tool, previous: $previous);
    }

    public static function notRead(string $path, ?\Throwable $previous = null): self
    {
        return new self(\sprintf('%s cannot be read.', basename($path)), name: basename($path), previous: $previous);
    }

    /** As a rule because the disk is full. */
    public static function notWritten(string $path): self
    {
        return new self(\sprintf('%s cannot be written.', basename($path)), name: basename($path));
    }

    /** What another process of ours met. */
    public static function elsewhere(string $said): self
    {
        return new self(trim($said), said: trim($said));
    }
}
