<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class OwnPassword
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: Limits::PASSWORD, maxMessage: 'field.invalid')]
        public string $password,
    ) {}
}
