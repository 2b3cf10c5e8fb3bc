<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Name and password are right, and the second step is still to come. */
final class SecondStepMissing extends AuthenticationException {}
