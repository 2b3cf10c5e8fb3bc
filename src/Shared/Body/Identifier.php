<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Symfony\Component\Validator\Constraint;

/** An id as stories have them. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Identifier extends Constraint {}
