<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

enum Role: string
{
    case Student = 'student';
    case Teacher = 'teacher';
}
