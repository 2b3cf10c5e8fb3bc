<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/** Puts a copy after each chosen slide. The copies' ids are given, one for each slide, so that doing it is repeatable. */
final readonly class DuplicateSlides implements Edit
{
    /**
     * @param list<string> $slides
     * @param list<string> $copies
     */
    public function __construct(private array $slides, private array $copies) {}

    public function apply(Story $story): Story
    {
        OnSlides::mustHave($story, $this->slides);
        if (\count($this->slides) !== \count($this->copies)) {
            throw new Refused('edit.copies-need-ids');
        }
        foreach ($this->slides as $i => $id) {
            $slide = $story->slide($id) ?? throw new Refused('edit.slide-gone');
            $story = (new AddSlide($slide->with(id: $this->copies[$i]), $id))->apply($story);
        }

        return $story;
    }
}
