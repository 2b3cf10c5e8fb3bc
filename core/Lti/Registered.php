<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** What is known of a platform before it sends anybody. */
final readonly class Registered
{
    /** @param list<string> $deployments ids under which it uses the tool */
    public function __construct(public string $issuer, public string $client, public array $deployments) {}
}
