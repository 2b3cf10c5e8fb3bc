<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

/** What whoever is invited to a class will do in it. */
final readonly class InvitationFor
{
    public function __construct(public Part $part) {}
}
