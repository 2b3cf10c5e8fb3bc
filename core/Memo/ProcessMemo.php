<?php

declare(strict_types=1);

namespace Rhapsode\Core\Memo;

/** Remembers for as long as the process runs. */
final class ProcessMemo implements Memo
{
    private const MOST = 5000;

    /** @var array<string, mixed> */
    private array $known = [];

    public function recall(string $key, \Closure $make): mixed
    {
        if (!\array_key_exists($key, $this->known)) {
            if (\count($this->known) >= self::MOST) {
                $this->known = [];
            }
            $this->known[$key] = $make();
        }

        return $this->known[$key];
    }
}
