<?php

declare(strict_types=1);

namespace Rhapsode\Core\Rubric;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** How well a criterion may be met: in a sentence, and in points. */
final readonly class Level
{
    /** @param int $points 0 to Limits::RUBRIC_POINTS */
    public function __construct(public string $sentence, public int $points) {}

    public static function read(Fields $in): self
    {
        return new self(trim($in->text('sentence', Limits::RUBRIC_TEXT, min: 1)), $in->whole('points', 0, Limits::RUBRIC_POINTS));
    }

    /** @return array{sentence: string, points: int} */
    public function toArray(): array
    {
        return ['sentence' => $this->sentence, 'points' => $this->points];
    }
}
