<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\Fields;

/** How a slide joins the next: its kind and, for all but a cut, its length in seconds. */
final readonly class Join
{
    public function __construct(public JoinKind $kind = JoinKind::Crossfade, public float $seconds = 1.0) {}

    public static function read(Fields $in): self
    {
        return new self($in->choice('kind', JoinKind::class), $in->number('seconds', 0, 3, 1.0));
    }

    /** @return array{kind: string, seconds: float} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'seconds' => $this->seconds];
    }
}
