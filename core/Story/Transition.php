<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Timing\Rate;

/** How a slide gives way to the next: its kind and, for all but a cut, its length in seconds. */
final readonly class Transition
{
    public function __construct(public TransitionKind $kind = TransitionKind::Crossfade, public float $seconds = 1.0) {}

    public static function read(Fields $in): self
    {
        return new self($in->choice('kind', TransitionKind::class), $in->number('seconds', 0, Limits::TRANSITION, 1.0));
    }

    public function frames(): int
    {
        return TransitionKind::Cut === $this->kind ? 0 : Rate::frames($this->seconds);
    }

    /** @return array{kind: string, seconds: float} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'seconds' => $this->seconds];
    }
}
