<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

/** What an invitation's link says. */
final readonly class InvitationCode
{
    public function __construct(public string $code) {}
}
