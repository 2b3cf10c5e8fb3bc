<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class LevelTold
{
    public function __construct(
        /** The place of a level, counted from 0; null takes it back. */
        #[Assert\Range(min: 0, max: Limits::LEVELS - 1, notInRangeMessage: 'field.number')]
        public ?int $level,
    ) {}
}
