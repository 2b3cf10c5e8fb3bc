<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** What a launch that was begun here has to come back with. */
final readonly class Expected
{
    public function __construct(public string $nonce, public string $target) {}
}
