<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;

/** What a take is spoken for, of what a slide speaks already: a sentence said again, or all from there on. */
final readonly class Around
{
    /**
     * @param list<Span> $voice of the slide, as it was when somebody began to speak
     * @param int        $from  samples of it as it is heard, from and to (exclusive): the take goes there
     */
    private function __construct(private array $voice, private int $from, private int $to) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $voice = array_map(Span::read(...), $in->objects('voice'));
        if (\count($voice) > Limits::SPANS) {
            throw new Malformed('document.slide-too-full', ['layers' => Limits::LAYERS, 'spans' => Limits::SPANS]);
        }
        $from = $in->whole('from', 0, Limits::SPANS * Limits::SAMPLES);

        return new self($voice, $from, $in->whole('to', $from, Limits::SPANS * Limits::SAMPLES));
    }

    /**
     * What the story no longer holds is left out.
     *
     * @return list<Span> as much as a slide may have, or the take alone
     */
    public function with(Span $take, Story $story): array
    {
        $spans = array_filter(
            [
                ...VoiceThread::part($this->voice, 0, $this->from),
                $take,
                ...VoiceThread::part($this->voice, $this->to, VoiceThread::length($this->voice)),
            ],
            static fn(Span $span): bool => $span->to <= ($story->voice($span->asset)->samples ?? 0),
        );
        $joined = VoiceThread::joined(array_values($spans));

        // A recording is never refused: in that case it is heard alone, and what was there is had back by undoing.
        return \count($joined) > Limits::SPANS ? [$take] : $joined;
    }

    /** @return array{voice: list<array{asset: string, from: int, to: int}>, from: int, to: int} */
    public function toArray(): array
    {
        return [
            'voice' => array_map(static fn(Span $span): array => $span->toArray(), $this->voice),
            'from' => $this->from,
            'to' => $this->to,
        ];
    }
}
