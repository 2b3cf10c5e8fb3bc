<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\Core\Memo\Memo;

/** What core remembers, remembered for all requests of this computer. */
final readonly class SharedMemo implements Memo
{
    public function __construct(private SharedMemory $memory) {}

    public function recall(string $key, \Closure $make): mixed
    {
        $known = $this->memory->get("plan {$key}");
        if (null === $known) {
            $known = $make();
            // That there is nothing may be otherwise a moment later.
            if (null !== $known) {
                $this->memory->set("plan {$key}", $known);
            }
        }

        return $known;
    }
}
