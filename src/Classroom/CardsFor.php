<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class CardsFor
{
    /** @param list<string> $students */
    public function __construct(
        #[Assert\Count(min: 1, max: Limits::STUDENTS), Assert\All([new Assert\Type('string')])]
        public array $students,
    ) {}
}
