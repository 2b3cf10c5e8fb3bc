<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\Role;
use Symfony\Component\Validator\Constraints as Assert;

/** What whoever is invited to a school will be there; students come in by their class. */
final readonly class InvitationAs
{
    public function __construct(
        #[Assert\Choice(choices: [Role::Teacher, Role::Administrator], message: 'field.invalid')]
        public Role $role,
    ) {}
}
