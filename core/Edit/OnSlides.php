<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Changes chosen slides one by one. */
final class OnSlides
{
    /**
     * @param list<string>           $ids
     * @param \Closure(Slide): Slide $change
     *
     * @throws Refused when one of them is no longer there
     */
    public static function change(Story $story, array $ids, \Closure $change): Story
    {
        self::mustHave($story, $ids);

        return $story->with(slides: array_map(
            static fn(Slide $slide): Slide => \in_array($slide->id, $ids, true) ? $change($slide) : $slide,
            $story->slides,
        ));
    }

    /**
     * @param list<string> $ids
     *
     * @throws Refused
     */
    public static function mustHave(Story $story, array $ids): void
    {
        foreach ($ids as $id) {
            if (null === $story->indexOf($id)) {
                throw new Refused('edit.slide-gone');
            }
        }
        if ([] === $ids) {
            throw new Refused('edit.no-slide');
        }
    }
}
