<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Together;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

/** Some of a class, who are to make one story together. */
final readonly class NewGroup
{
    /** @param list<string> $students */
    public function __construct(
        #[Assert\Count(min: 1, max: Limits::TOGETHER, minMessage: 'field.number', maxMessage: 'field.number')]
        #[Assert\Unique(message: 'field.invalid')]
        #[Assert\All([new Assert\Uuid(message: 'field.invalid')])]
        public array $students,
    ) {}
}
