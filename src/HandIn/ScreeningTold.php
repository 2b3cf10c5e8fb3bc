<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class ScreeningTold
{
    /** @param list<string> $films ids of hand-ins */
    public function __construct(
        #[Assert\Count(max: Limits::SCREENED, maxMessage: 'field.invalid'), Assert\Unique(message: 'field.invalid'), Assert\All([new Assert\Uuid(message: 'field.id')])]
        public array $films,
    ) {}
}
