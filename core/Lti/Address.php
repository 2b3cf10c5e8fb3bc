<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** Of a platform: asked for over the wire, never from a file of the machine, and short enough to be kept. */
final class Address
{
    public const PATTERN = '#^(?=.{1,2000}$)https?://[a-z0-9.-]+(:\d{1,5})?([/?][^\s<>"\\\\]*)?$#iD';

    public static function isOne(mixed $value): bool
    {
        return \is_string($value) && 1 === preg_match(self::PATTERN, $value);
    }
}
