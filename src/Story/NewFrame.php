<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Shared\Body\Identifier;
use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints\All;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Range;

final readonly class NewFrame
{
    /**
     * @param string       $slide the new one that it goes on
     * @param list<string> $after slides that this should follow, the nearest first
     */
    public function __construct(
        #[Range(min: 0, max: Limits::CLIP_FRAMES, notInRangeMessage: 'field.choice')]
        public int $frame,
        #[Identifier]
        public string $slide,
        #[Count(max: Limits::SLIDES, maxMessage: 'are too many')]
        #[All(new Identifier())]
        public array $after = [],
    ) {}
}
