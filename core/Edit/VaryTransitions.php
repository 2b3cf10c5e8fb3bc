<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;

/**
 * Gives each slide the transition that says what happens there, of at most three kinds: between pictures the story's usual one, to
 * and from a title something larger, and between two slides of one picture a short crossfade, as the look only goes on.
 */
final readonly class VaryTransitions implements Edit
{
    private const GOES_ON = 0.5;

    public function apply(Story $story): Story
    {
        $part = self::part($story->style->transition);
        $slides = [];
        foreach ($story->slides as $i => $slide) {
            $next = $story->slides[$i + 1] ?? null;
            $slides[] = $slide->with(transition: match (true) {
                null === $next => null,
                $next->layout->isWordsAlone(), $slide->layout->isWordsAlone() && $i > 0 => $part,
                self::isSamePicture($slide, $next) => new Transition(TransitionKind::Crossfade, self::GOES_ON),
                default => null,
            });
        }

        return $story->with(slides: $slides);
    }

    private static function isSamePicture(Slide $slide, Slide $next): bool
    {
        $picture = $slide->picture();

        return null !== $picture && $picture->asset === $next->picture()?->asset;
    }

    /** Another than the usual one. */
    private static function part(Transition $usual): Transition
    {
        return new Transition(match ($usual->kind) {
            TransitionKind::ThroughDark => TransitionKind::ThroughLight,
            default => TransitionKind::ThroughDark,
        }, max(1.0, $usual->seconds));
    }
}
