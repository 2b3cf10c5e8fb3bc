<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\ConstraintValidator;

/** Asks core. */
final class IdentifierValidator extends ConstraintValidator
{
    public function validate(mixed $value, Constraint $constraint): void
    {
        try {
            null === $value || Fields::of(['it' => $value])->id('it');
        } catch (Malformed $problem) {
            $this->context->addViolation(trim(str_replace('“it”', '', $problem->getMessage())));
        }
    }
}
