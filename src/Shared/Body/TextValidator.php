<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\ConstraintValidator;

/** Asks core. */
final class TextValidator extends ConstraintValidator
{
    public function validate(mixed $value, Constraint $constraint): void
    {
        \assert($constraint instanceof Text);
        try {
            null === $value || Fields::of(['it' => $value])->text('it', $constraint->most, min: $constraint->least);
        } catch (Malformed $problem) {
            $this->context->addViolation(trim(str_replace('“it”', '', $problem->getMessage())));
        }
    }
}
