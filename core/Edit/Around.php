<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;

/** What a slide speaks before and after a take that is spoken for a part of it: a sentence said again, or all from there on. */
final readonly class Around
{
    /**
     * @param list<Span> $before
     * @param list<Span> $after
     */
    public function __construct(private array $before, private array $after) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $spans = static function (string $key) use ($in): array {
            $read = array_map(Span::read(...), $in->objects($key));

            return \count($read) > Limits::SPANS ? throw new Malformed(
                'document.slide-too-full',
                ['layers' => Limits::LAYERS, 'spans' => Limits::SPANS],
            ) : $read;
        };

        return new self($spans('before'), $spans('after'));
    }

    /**
     * What the story no longer holds is left out.
     *
     * @return list<Span> as much as a slide may have, or the take alone
     */
    public function with(Span $take, Story $story): array
    {
        $spans = array_filter(
            [...$this->before, $take, ...$this->after],
            static fn(Span $span): bool => $span->to <= ($story->voice($span->asset)->samples ?? 0),
        );
        $joined = VoiceThread::joined(array_values($spans));

        // A recording is never refused: in that case it is heard alone, and what was there is had back by undoing.
        return \count($joined) > Limits::SPANS ? [$take] : $joined;
    }

    /** @return array{before: list<array{asset: string, from: int, to: int}>, after: list<array{asset: string, from: int, to: int}>} */
    public function toArray(): array
    {
        return ['before' => self::told($this->before), 'after' => self::told($this->after)];
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<array{asset: string, from: int, to: int}>
     */
    private static function told(array $spans): array
    {
        return array_map(static fn(Span $span): array => $span->toArray(), $spans);
    }
}
