<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Words\Band;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\Reveal;

/** What is seen of words while they come up from below or are written, as core tells it. */
final readonly class Coming
{
    public function __construct(private PlannedWords $words, private FilmFormat $format) {}

    /** @return list<Envelope> what it changes by */
    public function envelopes(): array
    {
        return \array_slice($this->words->envelopes(), 1);
    }

    public function isThere(int $frame): bool
    {
        return 0.0 === ($this->words->rise?->at($frame) ?? 0.0) && 1.0 === ($this->words->reveal?->written->at($frame) ?? 1.0);
    }

    /** @return array{float, float, float, float}|null left, top, right and bottom of what its way takes, pixels of the film; null where it takes none */
    public function takes(): ?array
    {
        if (null === $this->words->rise && null === $this->words->reveal) {
            return null;
        }
        $box = $this->words->block->body();

        return [
            $box->x * $this->format->width, $box->y * $this->format->height, ($box->x + $box->width) * $this->format->width,
            ($box->y + $box->height) * $this->format->height,
        ];
    }

    /** @param string $bytes of all of it, yuva420p of the overlay's size */
    public function seen(Overlay $overlay, string $bytes, int $frame): string
    {
        if (null !== $this->words->rise) {
            // Colours are as fine as two pixels: so is its way.
            $down = 2 * (int) round($this->words->rise->at($frame) * PlannedWords::RISE * $this->format->height / 2);
            $bytes = $overlay->lowered($bytes, $down);
        }

        return null === $this->words->reveal ? $bytes : $overlay->masked($bytes, $this->mask($this->words->reveal, $overlay, $frame));
    }

    /** @return list<array{int, int, string}> of each line: rows from and to (exclusive), and how far each pixel of a row is seen, 0 to 255 */
    private function mask(Reveal $reveal, Overlay $overlay, int $frame): array
    {
        $written = $reveal->written->at($frame);

        return array_map(fn(Band $band): array => [
            max(0, (int) round($band->box->y * $this->format->height) - $overlay->y),
            min($overlay->height, (int) round(($band->box->y + $band->box->height) * $this->format->height) - $overlay->y),
            implode('', array_map(
                fn(int $x): string => \chr((int) round(255 * $band->weight($written, ($overlay->x + $x + 0.5) / $this->format->width))),
                range(0, $overlay->width - 1),
            )),
        ], $reveal->bands);
    }
}
