<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** What the pointer looks like that was moved while a voice was spoken: over all of each recording that is heard. */
final readonly class SetPointer implements Edit
{
    /** @param list<Span> $voice as it was heard */
    public function __construct(private array $voice, private PointerForm $form) {}

    public function apply(Story $story): Story
    {
        foreach ($this->voice as $span) {
            $voice = $story->voice($span->asset) ?? throw new Refused('edit.voice-gone');
            $looking = array_map(fn(Stroke $stroke): Stroke => $stroke->looking($this->form), $voice->take->pointing);
            $story = $story->withAsset($voice->withTake($voice->take->with(pointing: $looking)));
        }

        return $story;
    }
}
