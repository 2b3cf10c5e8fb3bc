<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Point;

/**
 * Where words were put by hand, as far as they were: the middle of all of them on the slide, how much of its width their lines
 * may take, and how they are aligned. What is not told follows from the spot at which they stand.
 */
final readonly class OwnPlace
{
    public function __construct(public ?Point $at = null, public ?float $width = null, public ?Align $align = null) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        return new self(
            $in->has('at') ? Point::read($in->object('at')) : null,
            null === ($width = $in->numberOrNull('width', Limits::LEAST_WORDS, 1)) ? null : round($width, 4),
            $in->has('align') ? $in->choice('align', Align::class) : null,
        );
    }

    /** The same, at the spot again. */
    public function atItsSpot(): self
    {
        return new self(null, $this->width, $this->align);
    }

    /** @return array<string, mixed> what is told */
    public function toArray(): array
    {
        return array_filter(
            ['at' => $this->at?->toArray(), 'width' => $this->width, 'align' => $this->align?->value],
            static fn(mixed $part): bool => null !== $part,
        );
    }
}
