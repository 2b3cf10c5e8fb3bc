<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Symfony\Component\HttpFoundation\Request;

/** Reads a request's JSON. What decoding takes is a multiple of its bytes, so these are few. */
final class Body
{
    public const MOST_BYTES = 1_000_000;

    /** @throws Malformed */
    public static function of(Request $request, int $mostBytes = self::MOST_BYTES): Fields
    {
        if (\strlen($request->getContent()) > $mostBytes) {
            throw new Malformed('request.too-much');
        }
        try {
            return Fields::of(json_decode($request->getContent(), true, 16, \JSON_THROW_ON_ERROR));
        } catch (\JsonException) {
            throw new Malformed('request.not-json');
        }
    }
}
