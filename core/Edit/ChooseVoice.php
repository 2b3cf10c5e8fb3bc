<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Takes;
use Rhapsode\Core\Story\VoiceThread;

/**
 * Which take a slide speaks with, without the silence around its voice, or besides what it speaks; null for none. A take not chosen
 * is kept.
 */
final readonly class ChooseVoice implements Edit
{
    /** @param bool $joined whether it is heard after what the slide speaks already */
    public function __construct(private string $slide, private ?string $asset, private bool $joined = false) {}

    public function apply(Story $story): Story
    {
        $voice = null === $this->asset ? null : $story->voice($this->asset) ?? throw new Refused('edit.voice-gone');
        $take = null === $voice ? null : Takes::span($voice, $this->slide);

        return OnSlides::change($story, [$this->slide], fn(Slide $slide): Slide => $slide->with(voice: match (true) {
            null === $take => [],
            // Asked twice, it is said once.
            $this->joined => VoiceThread::joined([...VoiceThread::without($slide->voice, VoiceThread::places($slide->voice, [$take])), $take]),
            default => [$take],
        }));
    }
}
