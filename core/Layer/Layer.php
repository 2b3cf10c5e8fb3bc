<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** One thing that a slide shows, as its maker said it. Its id is the only one of its slide. */
interface Layer
{
    /** @throws Malformed */
    public static function read(string $id, Fields $in): self;

    /**
     * How a new one is where it is not told: a document that does not tell it means what it always meant.
     *
     * @return array<string, mixed>
     */
    public static function fresh(): array;

    /**
     * The same layer, and what follows from how it was before, of the same kind.
     *
     * @param array<string, mixed> $told what was changed of it
     */
    public function following(self $before, array $told): self;

    /**
     * The same layer after the script was changed.
     *
     * @param \Closure(int): int $place where each word of it is now
     */
    public function scripted(\Closure $place): self;

    public function id(): string;

    public function kind(): LayerKind;

    /** The cell of its slide's arrangement that it lies in, from 0 on; null where it lies over all of the slide, or at a place of its own. */
    public function cell(): ?int;

    public function inCell(?int $cell): self;

    /** The asset that it shows; null where it needs none. */
    public function asset(): ?string;

    /** @return list<PlannedLayer> how it is seen, back to front; none where there is nothing to see */
    public function plan(LayerContext $context): array;

    /** @return array<string, mixed> with its id and kind, as it stands in the document */
    public function toArray(): array;
}
