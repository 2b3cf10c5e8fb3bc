<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** What a maker has changed of a scheme: its pair of faces, four colours, the picture on its ground (an asset), how the sources are shown; null for what stays. */
final readonly class OwnScheme
{
    public function __construct(
        public ?Face $heading = null,
        public ?Face $text = null,
        public ?string $ground = null,
        public ?string $ink = null,
        public ?string $accent = null,
        public ?string $words = null,
        public ?CreditsWay $credits = null,
        public ?string $picture = null,
    ) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $face = static fn(string $key): ?Face => $in->has($key) ? $in->choice($key, Face::class) : null;

        return new self(
            $face('heading'),
            $face('text'),
            Colour::readOrNull($in, 'ground'),
            Colour::readOrNull($in, 'ink'),
            Colour::readOrNull($in, 'accent'),
            Colour::readOrNull($in, 'words'),
            $in->has('credits') ? $in->choice('credits', CreditsWay::class) : null,
            $in->has('picture') ? $in->id('picture') : null,
        );
    }

    public function on(Scheme $scheme): Scheme
    {
        return new Scheme(
            null === $this->heading ? $scheme->heading : new Type($this->heading, $scheme->heading->weight),
            null === $this->text ? $scheme->text : new Type($this->text, $scheme->text->weight),
            $this->ground ?? $scheme->ground,
            $this->ink ?? $scheme->ink,
            // What stands below a heading was chosen for the colours that were; and the clearer it is, the more is seen of a picture.
            null === $this->ground && null === $this->ink && null === $this->picture ? $scheme->soft : $this->ink ?? $scheme->ink,
            $this->accent ?? $scheme->accent,
            $scheme->ornament,
            $this->words ?? $scheme->words,
            $scheme->plate,
            $scheme->backing,
            // A line about pictures is of the accent's colour.
            null === $scheme->mount->colour || null === $this->accent ? $scheme->mount : $scheme->mount->coloured($this->accent),
            $scheme->motion,
            $this->credits ?? $scheme->credits,
            $this->picture,
        );
    }

    /** @return array<string, string> what is told */
    public function toArray(): array
    {
        return array_filter([
            'heading' => $this->heading?->value, 'text' => $this->text?->value, 'ground' => $this->ground, 'ink' => $this->ink,
            'accent' => $this->accent, 'words' => $this->words, 'credits' => $this->credits?->value,
            'picture' => $this->picture,
        ], static fn(?string $part): bool => null !== $part);
    }
}
