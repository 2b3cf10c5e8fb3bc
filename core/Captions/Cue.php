<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

/**
 * A piece of what is spoken, with the time it is shown. Milliseconds; text has at most two lines. $high asks for a place at
 * the top, where the bottom has words of the picture's own.
 */
final readonly class Cue
{
    public function __construct(public int $start, public int $end, public string $text, public string $slide, public bool $high = false) {}

    /** @return array{start: float, end: float, text: string, slide: string, high: bool} seconds */
    public function toArray(): array
    {
        return [
            'start' => $this->start / 1000,
            'end' => $this->end / 1000,
            'text' => $this->text,
            'slide' => $this->slide,
            'high' => $this->high,
        ];
    }
}
