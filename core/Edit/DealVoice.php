<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\MadeFor;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Sound\Dealt;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;

/** One long recording becomes the voices of many slides. A slide for which nothing is left keeps what it speaks. */
final readonly class DealVoice implements Edit
{
    /**
     * @param list<Span>               $thread
     * @param list<array{string, int}> $begins slides, and where on the thread what is said of each begins, in order
     */
    public function __construct(private array $thread, private array $begins) {}

    public function apply(Story $story): Story
    {
        foreach ($this->thread as $span) {
            if ($span->to > ($story->voice($span->asset)->samples ?? 0)) {
                throw new Refused('edit.voice-shorter');
            }
        }
        $madeFor = [];
        foreach ($this->begins as $i => [$id, $from]) {
            $spans = Dealt::part($story, $this->thread, $from, $this->begins[$i + 1][1] ?? VoiceThread::length($this->thread));
            if ([] === $spans || null === $story->indexOf($id)) {
                continue;
            }
            foreach ($spans as $span) {
                $madeFor[$span->asset][] = new MadeFor($id, $span->from, $span->to);
            }
            $story = OnSlides::change($story, [$id], static fn(Slide $slide): Slide => $slide->with(voice: $spans));
        }
        foreach ($madeFor as $asset => $parts) {
            $voice = $story->voice((string) $asset) ?? throw new Refused('edit.voice-gone');
            $story = $story->withAsset($voice->withTake($voice->take->with(madeFor: $parts)));
        }

        return $story;
    }
}
