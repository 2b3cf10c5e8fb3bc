<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** The time, in UTC, to the second. */
final class Clock
{
    public static function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('now', new \DateTimeZone('UTC'));
    }
}
