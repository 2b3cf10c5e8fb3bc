<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\PlannedSlide;

/**
 * A run of frames that is made on its own: a slide alone, or a slide giving way to the next. $start is its first frame
 * in the film, $frames how many it has. Its name tells all that determines its pictures, so that a segment made once
 * serves every film that has the same.
 */
final readonly class Segment
{
    public string $name;

    public function __construct(public PlannedSlide $slide, public ?PlannedSlide $next, public int $start, public int $frames, string $made)
    {
        $this->name = substr(hash('sha256', json_encode([
            $made,
            $frames,
            self::determines($slide, $start, $frames),
            null === $next ? null : [self::determines($next, $start, $frames), $slide->join->toArray()],
        ], \JSON_THROW_ON_ERROR)), 0, 32);
    }

    /** @return list<mixed> */
    private static function determines(PlannedSlide $slide, int $start, int $frames): array
    {
        $still = $slide->move->isStill();

        return [
            $slide->image->toArray(),
            $slide->move->opensOn->toArray(),
            $slide->move->closesOn->toArray(),
            // A still picture looks the same whenever it is seen.
            $still ? 0 : $start - $slide->start,
            $still ? 0 : $slide->gone() - $slide->start,
            $slide->words->hash(),
        ];
    }
}
