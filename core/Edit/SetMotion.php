<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Story\Motion;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** How pictures move: by themselves, not at all, or from one framing to another. */
final readonly class SetMotion implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private Motion $motion, private ?Frame $opensOn, private ?Frame $closesOn) {}

    public function apply(Story $story): Story
    {
        if (Motion::Set === $this->motion && (null === $this->opensOn || null === $this->closesOn)) {
            throw new Refused('A move needs a framing that it opens on and one that it closes on.');
        }

        return OnSlides::change($story, $this->slides, fn(Slide $slide): Slide => $slide->with(
            motion: $this->motion,
            opensOn: $this->opensOn ?? $slide->opensOn,
            closesOn: $this->closesOn ?? $slide->closesOn,
        ));
    }
}
