<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/** A layer as it is performed. */
interface PlannedLayer
{
    public function id(): string;

    public function kind(): PlannedKind;

    /** Names all that determines how it looks, but for its opacity and the moment: the same name, the same pixels. */
    public function hash(): string;

    /** Whether it looks the same at every moment, but for its opacity. */
    public function isStill(): bool;

    /** 0 to 1 over the frames of its scene. */
    public function opacity(): Envelope;

    /** How much of it is there at a frame of its scene, 0 to 1. */
    public function seen(int $frame): float;

    /** @return list<Envelope> all that changes of it over the frames of its scene, but for what its hash names */
    public function envelopes(): array;

    /** @return array<string, mixed> with its id and kind, for the performer in the page */
    public function toArray(): array;
}
