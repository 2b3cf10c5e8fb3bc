<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Symfony\Component\Validator\Constraints\Range;

final readonly class AllParts
{
    /** @param list<mixed>|null $steps from slide to slide, where one recording is for many; as the core's Steps */
    public function __construct(
        #[Range(min: 1, max: Assets::MOST_PARTS, notInRangeMessage: 'field.whole')]
        public int $parts,
        public ?array $steps = null,
    ) {}
}
