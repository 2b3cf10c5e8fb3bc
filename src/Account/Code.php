<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

/** What opens a door to whoever holds it: of chance alone (144 bits), so that a plain hash keeps it as well as a slow one. */
final class Code
{
    private const BYTES = 18;

    /** Letters that stand in an address as they are (RFC 4648, base64url). */
    public static function make(): string
    {
        return strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_');
    }

    public static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
