<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Document\Fields;
use Symfony\Component\Validator\Constraints\Compound;
use Symfony\Component\Validator\Constraints\Regex;

/** An id as stories have them. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Identifier extends Compound
{
    /** @param array<mixed> $options */
    protected function getConstraints(array $options): array
    {
        return [new Regex(Fields::ID, message: 'field.id')];
    }
}
