<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class NewPassword
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: Limits::PASSWORD, maxMessage: 'field.invalid')]
        public string $now,
        #[\SensitiveParameter]
        #[GoodPassword]
        public string $next,
    ) {}
}
