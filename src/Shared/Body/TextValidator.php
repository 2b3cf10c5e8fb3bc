<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Document\Fields;
use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\ConstraintValidator;

/** Asks core. */
final class TextValidator extends ConstraintValidator
{
    public function validate(mixed $value, Constraint $constraint): void
    {
        \assert($constraint instanceof Text && \is_string($value));
        $problem = Fields::problemOf($value, $constraint->most, $constraint->least);
        null === $problem || $this->context->buildViolation($problem->code)->setCause($problem)->addViolation();
    }
}
