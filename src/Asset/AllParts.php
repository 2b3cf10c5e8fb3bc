<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints\Range;

final readonly class AllParts
{
    /**
     * @param list<mixed>|null $steps    from slide to slide, where one recording is for many; as the core's Steps
     * @param list<mixed>|null $pointing where somebody pointed meanwhile; as the core's Hand
     * @param int|null         $recorded samples that it was recorded for, by the clock of who did
     */
    public function __construct(
        #[Range(min: 1, max: Assets::MOST_PARTS, notInRangeMessage: 'field.whole')]
        public int $parts,
        public ?array $steps = null,
        public ?array $pointing = null,
        #[Range(min: 1, max: Limits::SAMPLES, notInRangeMessage: 'field.whole')]
        public ?int $recorded = null,
    ) {}
}
