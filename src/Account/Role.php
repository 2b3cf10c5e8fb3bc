<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

enum Role: string
{
    case Student = 'student';
    case Teacher = 'teacher';
    case Administrator = 'administrator';
    /** Asked to one film, for a time. */
    case Guest = 'guest';
}
