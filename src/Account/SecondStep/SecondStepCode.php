<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class SecondStepCode
{
    public function __construct(#[Assert\Length(max: 40, maxMessage: 'field.invalid')] public string $code) {}
}
