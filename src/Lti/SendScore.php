<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

/** Tells a platform what came of somebody's film. */
final readonly class SendScore
{
    /** @param string $subject what the platform calls whoever made it */
    public function __construct(public string $handIn, public string $link, public string $subject) {}
}
