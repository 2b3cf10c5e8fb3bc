<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Symfony\Component\Validator\Constraint;

/** Text as core takes it: of so many characters, with nothing unseen in it. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Text extends Constraint
{
    public function __construct(public readonly int $most, public readonly int $least = 0)
    {
        parent::__construct();
    }
}
