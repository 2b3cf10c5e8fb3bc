<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Symfony\Component\HttpFoundation\Response;

/** A drawing of ours, which never changes under its address. */
final class SvgResponse extends Response
{
    public function __construct(string $svg)
    {
        parent::__construct($svg, 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => 'private, max-age=31536000, immutable',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
