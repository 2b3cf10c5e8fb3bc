<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Moves chosen slides, in their order in the story, after another slide, or to the front. */
final readonly class MoveSlides implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private ?string $after) {}

    public function apply(Story $story): Story
    {
        OnSlides::mustHave($story, $this->slides);
        if (null !== $this->after) {
            OnSlides::mustHave($story, [$this->after]);
        }
        $moving = $this->slides;
        $isMoving = static fn(Slide $s): bool => \in_array($s->id, $moving, true);
        // Where the goal is itself among those moving, the nearest slide before it that stays is meant.
        $at = 0;
        $staying = [];
        foreach ($story->slides as $slide) {
            if (!$isMoving($slide)) {
                $staying[] = $slide;
            }
            if ($slide->id === $this->after) {
                $at = \count($staying);
            }
        }
        array_splice($staying, $at, 0, array_filter($story->slides, $isMoving));

        return $story->with(slides: $staying);
    }
}
