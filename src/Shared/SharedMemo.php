<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\Core\Memo\Memo;

/** Remembers for all requests of this machine, in APCu where there is one. */
final class SharedMemo implements Memo
{
    private const SECONDS = 3600;

    public function recall(string $key, \Closure $make): mixed
    {
        if (!\function_exists('apcu_enabled') || !apcu_enabled()) {
            return $make();
        }
        $known = apcu_fetch('plan ' . $key, $found);
        if (!$found) {
            $known = $make();
            // That there is nothing may be otherwise a moment later.
            if (null !== $known) {
                apcu_store('plan ' . $key, $known, self::SECONDS);
            }
        }

        return $known;
    }
}
