<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Name and password are right, the second step is not. */
final class SecondStepWrong extends AuthenticationException {}
