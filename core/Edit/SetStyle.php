<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;

/** What is usual in the whole story; null stays as it is. */
final readonly class SetStyle implements Edit
{
    /** @param array<string, mixed> $own changes of its faces and colours; null for what is as the style has it again */
    public function __construct(private ?Transition $transition, private ?StyleName $name = null, private array $own = []) {}

    public function apply(Story $story): Story
    {
        $style = null === $this->name ? $story->style : $story->style->named($this->name);
        if (\is_string($this->own['picture'] ?? null) && null === $story->picture($this->own['picture'])) {
            throw new Refused('edit.asset-gone');
        }
        $style = [] === $this->own ? $style : $style->owned($this->own);

        return $story->with(style: null === $this->transition ? $style : $style->with($this->transition));
    }
}
