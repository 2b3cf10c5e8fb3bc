<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\Core\Shape\BadShape;
use Rhapsode\Core\Shape\Fields;
use Symfony\Component\HttpFoundation\Request;

/** Reads a request's JSON. */
final class Body
{
    /** @throws BadShape */
    public static function of(Request $request): Fields
    {
        try {
            return Fields::of(json_decode($request->getContent(), true, 16, \JSON_THROW_ON_ERROR));
        } catch (\JsonException) {
            throw new BadShape('The request is not valid JSON.');
        }
    }
}
