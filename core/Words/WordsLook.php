<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** How words look, as far as it is told. What is not told follows from what they are for, and from what lies under them. */
final readonly class WordsLook
{
    /** @param string|null $colour #rrggbb */
    public function __construct(
        public ?WordsSize $size = null,
        public ?Face $face = null,
        public ?string $colour = null,
        public Backing $backing = Backing::Auto,
        public ?Weight $weight = null,
    ) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        return new self(
            null === $in->raw('size') ? null : $in->choice('size', WordsSize::class),
            null === $in->raw('face') ? null : $in->choice('face', Face::class),
            Colour::readOrNull($in, 'colour'),
            $in->choice('backing', Backing::class, Backing::Auto),
            null === $in->raw('weight') ? null : $in->choice('weight', Weight::class),
        );
    }

    /** What is told of it, and else as the story has it. @param Backing $usual what words of its kind stand on */
    public function in(Scheme $scheme, Backing $usual): self
    {
        return new self(
            $this->size,
            $this->face,
            $this->colour ?? $scheme->words,
            match (true) {
                Backing::Auto !== $this->backing => $this->backing,
                Backing::Auto !== $usual => $usual,
                // What was made for another colour may be wrong for this one.
                null !== $this->colour => Backing::Auto,
                default => $scheme->backing,
            },
            $this->weight,
        );
    }

    /** @param Type $usual that of words of its kind, where none is told */
    public function type(Type $usual): Type
    {
        return null === $this->face ? new Type($usual->face, $this->weight ?? $usual->weight) : new Type($this->face, $this->weight);
    }

    /** @return array<string, mixed> what is told */
    public function toArray(): array
    {
        return array_filter([
            'size' => $this->size?->value, 'face' => $this->face?->value, 'colour' => $this->colour,
            'backing' => Backing::Auto === $this->backing ? null : $this->backing->value, 'weight' => $this->weight?->value,
        ], static fn(?string $part): bool => null !== $part);
    }
}
