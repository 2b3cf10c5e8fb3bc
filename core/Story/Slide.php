<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;

/**
 * One slide, as its maker said it. It speaks its spans one after another. $stay is the time in seconds that a slide without a
 * voice was given, null for the usual one; $transition how it gives way to the next, null as the story's style says; $toldBefore
 * the script of the slide that it was copied from, to be told again.
 */
final readonly class Slide
{
    /**
     * @param list<Layer> $layers back to front
     * @param list<Span>  $voice
     */
    public function __construct(
        public string $id,
        public Layout $layout = Layout::Full,
        public array $layers = [],
        public string $script = '',
        public array $voice = [],
        public ?float $stay = null,
        public ?Transition $transition = null,
        public Sequence $sequence = Sequence::Together,
        public ?Drift $drift = null,
        public string $toldBefore = '',
    ) {}

    /** A slide that shows a picture. */
    public static function showing(string $id, string $picture): self
    {
        return new self($id, layers: [new PictureLayer('picture', $picture)]);
    }

    public static function read(Fields $in): self
    {
        $layout = $in->choice('layout', Layout::class, Layout::Full);

        return new self(
            $in->id('id'),
            $layout,
            $in->has('layers') ? array_map(LayerKind::any(...), $in->objects('layers')) : $layout->usualLayers(),
            $in->text('script', Limits::SCRIPT, ''),
            array_map(Span::read(...), $in->objects('voice')),
            $in->numberOrNull('stay', Limits::LEAST_STAY, Limits::MOST_STAY),
            $in->has('transition') ? Transition::read($in->object('transition')) : null,
            $in->choice('sequence', Sequence::class, Sequence::Together),
            $in->has('drift') ? Drift::read($in->object('drift')) : null,
            $in->text('toldBefore', Limits::SCRIPT, ''),
        );
    }

    /** The same slide with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    public function layer(string $id): ?Layer
    {
        foreach ($this->layers as $layer) {
            if ($layer->id() === $id) {
                return $layer;
            }
        }

        return null;
    }

    /** The same slide with that layer: in the place of the one of its id, or before all others. */
    public function withLayer(Layer $new): self
    {
        $layers = array_map(static fn(Layer $layer): Layer => $layer->id() === $new->id() ? $new : $layer, $this->layers);

        return $this->with(layers: null === $this->layer($new->id()) ? [...$layers, $new] : $layers);
    }

    /** That, or that with a number, whichever no layer is called by. */
    public function freeId(string $wanted): string
    {
        for ($n = 2, $id = $wanted; null !== $this->layer($id); ++$n) {
            $id = "{$wanted}-{$n}";
        }

        return $id;
    }

    /** The first of its pictures. */
    public function picture(): ?PictureLayer
    {
        return $this->pictures()[0] ?? null;
    }

    /** @return list<PictureLayer> in the order of their cells */
    public function pictures(): array
    {
        $pictures = array_values(array_filter($this->layers, static fn(Layer $layer): bool => $layer instanceof PictureLayer));
        usort($pictures, static fn(PictureLayer $a, PictureLayer $b): int => $a->cell <=> $b->cell);

        return $pictures;
    }

    /** @return list<int> the cells of it in which nothing lies */
    public function emptyCells(): array
    {
        $taken = array_map(static fn(Layer $layer): ?int => $layer->cell(), $this->layers);
        $cells = $this->layout->cells();

        return array_values(array_diff(0 === $cells ? [] : range(0, $cells - 1), $taken));
    }

    /** @return list<WordsLayer> all that is written on it */
    public function written(): array
    {
        return array_values(array_filter($this->layers, static fn(Layer $layer): bool => $layer instanceof WordsLayer));
    }

    /** How long it is spoken, in samples. */
    public function spokenSamples(): int
    {
        return VoiceThread::length($this->voice);
    }

    /** How many letters stand on its picture, or beside it. */
    public function lettersOnPicture(): int
    {
        $words = array_filter($this->written(), static fn(WordsLayer $words): bool => $words->role->isOnPicture());

        return array_sum(array_map(static fn(WordsLayer $words): int => mb_strlen(trim($words->text)), $words));
    }

    /** Whether there are letters on it. */
    public function isWrittenOn(): bool
    {
        return [] !== array_filter($this->written(), static fn(WordsLayer $words): bool => '' !== trim($words->text));
    }

    /** The first of its words that are for that. */
    public function words(WordsRole $role): ?WordsLayer
    {
        foreach ($this->layers as $layer) {
            if ($layer instanceof WordsLayer && $layer->role === $role) {
                return $layer;
            }
        }

        return null;
    }

    /** @return list<string> the assets that it shows and speaks with, each once */
    public function assets(): array
    {
        $shown = array_map(static fn(Layer $layer): ?string => $layer->asset(), $this->layers);
        $spoken = array_map(static fn(Span $span): string => $span->asset, $this->voice);

        return array_values(array_unique(array_filter([...$shown, ...$spoken], is_string(...))));
    }

    /**
     * A copy under an id of its own, whose assets go by other ids.
     *
     * @param array<string, string> $assets the new id of each that has one
     */
    public function copied(string $id, array $assets = []): self
    {
        $renamed = static function (array $part) use ($assets): array {
            $asset = $part['asset'] ?? null;

            return \is_string($asset) ? ['asset' => $assets[$asset] ?? $asset] + $part : $part;
        };
        $document = ['id' => $id] + $this->toArray();
        $document['layers'] = array_map(static fn(Layer $layer): array => $renamed($layer->toArray()), $this->layers);
        $document['voice'] = array_map(static fn(Span $span): array => $renamed($span->toArray()), $this->voice);

        return self::read(Fields::of($document));
    }

    /** @throws Malformed where its layers do not go together */
    public function check(): void
    {
        if (\count($this->layers) > Limits::LAYERS || \count($this->voice) > Limits::SPANS) {
            throw new Malformed('document.slide-too-full', ['layers' => Limits::LAYERS, 'spans' => Limits::SPANS]);
        }
        if (\count($this->layers) !== \count(array_unique(array_map(static fn(Layer $layer): string => $layer->id(), $this->layers)))) {
            throw new Malformed('document.layers-alike');
        }
        $this->layout->check($this->layers);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'layout' => $this->layout->value,
            'layers' => array_map(static fn(Layer $layer): array => $layer->toArray(), $this->layers),
            'script' => $this->script,
            'voice' => array_map(static fn(Span $span): array => $span->toArray(), $this->voice),
            'stay' => $this->stay,
            'transition' => $this->transition?->toArray(),
            ...Sequence::Together === $this->sequence ? [] : ['sequence' => $this->sequence->value],
            ...null === $this->drift ? [] : ['drift' => $this->drift->toArray()],
            ...'' === $this->toldBefore ? [] : ['toldBefore' => $this->toldBefore],
        ];
    }
}
