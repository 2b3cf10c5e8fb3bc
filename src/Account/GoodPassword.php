<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

/** Of a password its length counts and that it is none of the first to be guessed: NIST SP 800-63B, 5.1.1.2. */
#[\Attribute]
final class GoodPassword extends Assert\Compound
{
    protected function getConstraints(array $options): array
    {
        return [
            new Assert\Length(min: Limits::LEAST_PASSWORD, max: Limits::PASSWORD, minMessage: 'field.password-short', maxMessage: 'field.invalid'),
            new Assert\PasswordStrength(minScore: Assert\PasswordStrength::STRENGTH_WEAK, message: 'field.password-weak'),
        ];
    }
}
