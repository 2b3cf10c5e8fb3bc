<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** Remembers small things for all requests that this computer answers, for a while. What is forgotten is only made again. */
final class SharedMemory
{
    private const SECONDS = 3600;

    /** @return mixed null where it is not known, or no longer */
    public function get(string $key): mixed
    {
        $known = self::isThere() ? apcu_fetch('known ' . $key, $found) : null;

        return ($found ?? false) ? $known : null;
    }

    public function set(string $key, mixed $value): void
    {
        if (self::isThere()) {
            apcu_store('known ' . $key, $value, self::SECONDS);
        }
    }

    private static function isThere(): bool
    {
        return \function_exists('apcu_enabled') && apcu_enabled();
    }
}
