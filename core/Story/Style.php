<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;

/** What is usual in the whole story; what a slide says itself wins. */
final readonly class Style
{
    public function __construct(public Transition $transition = new Transition()) {}

    public static function read(Fields $in): self
    {
        return new self($in->has('transition') ? Transition::read($in->object('transition')) : new Transition());
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['transition' => $this->transition->toArray()];
    }
}
