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
    ) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $colour = $in->textOrNull('colour', 7);
        if (null !== $colour && 1 !== preg_match('/^#[0-9a-f]{6}$/Di', $colour)) {
            throw new Malformed('document.no-colour');
        }

        return new self(
            null === $in->raw('size') ? null : $in->choice('size', WordsSize::class),
            null === $in->raw('face') ? null : $in->choice('face', Face::class),
            null === $colour ? null : strtolower($colour),
            $in->choice('backing', Backing::class, Backing::Auto),
        );
    }

    /** With what words of its kind usually stand on, where it is not told. */
    public function backing(Backing $usual): self
    {
        return Backing::Auto === $this->backing ? new self($this->size, $this->face, $this->colour, $usual) : $this;
    }

    /** @return array<string, mixed> what is told */
    public function toArray(): array
    {
        return array_filter([
            'size' => $this->size?->value, 'face' => $this->face?->value, 'colour' => $this->colour,
            'backing' => Backing::Auto === $this->backing ? null : $this->backing->value,
        ], static fn(?string $part): bool => null !== $part);
    }
}
