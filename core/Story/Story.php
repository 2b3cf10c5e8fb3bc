<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Story\Upgrade\From1;

/** A narrated story as its maker said it: everything that is seen and heard is computed from it. It never changes; edits make new ones. */
final readonly class Story
{
    public const VERSION = 2;

    /**
     * @param list<Slide>             $slides
     * @param array<string, Asset>    $assets   by id
     * @param string                  $language BCP 47
     * @param bool                    $credits  whether the sources are credited at the end of the film
     * @param list<Bed>               $beds
     * @param list<TimedCaption>|null $captions what is said, from a file of captions; null where the script tells
     */
    public function __construct(
        public string $title,
        public array $slides = [],
        public array $assets = [],
        public string $language = 'en',
        public Shape $shape = Shape::Wide,
        public Style $style = new Style(),
        public bool $credits = true,
        public array $beds = [],
        public ?array $captions = null,
    ) {}

    /** A new story opens with its title slide. */
    public static function begin(string $title, string $titleSlide, StyleName $style = StyleName::Thread): self
    {
        return new self($title, [new Slide($titleSlide, Layout::Title, Layout::Title->usualLayers())], style: new Style(name: $style));
    }

    /** @throws Malformed when the document is not a story, or names something that is not there */
    public static function fromArray(mixed $data): self
    {
        $in = Fields::of($data);
        if (1 === $in->whole('version', 1, self::VERSION)) {
            $in = Fields::of(From1::document($in));
        }
        $assets = [];
        foreach ($in->named('assets') as $id => $fields) {
            // A name that looks like a number is one to PHP.
            $assets[$id] = AssetKind::read((string) $id, $fields);
        }
        $story = new self(
            $in->text('title', Limits::TITLE, min: 1),
            array_map(Slide::read(...), $in->objects('slides')),
            $assets,
            $in->text('language', Limits::LANGUAGE, 'en'),
            $in->choice('shape', Shape::class, Shape::Wide),
            $in->has('style') ? Style::read($in->object('style')) : new Style(),
            $in->flag('credits', true),
            array_map(Bed::read(...), $in->objects('beds')),
            $in->has('captions') ? array_map(TimedCaption::read(...), $in->objects('captions')) : null,
        );

        return $story->checked();
    }

    /**
     * The story itself, when what it is put together from fits together: each slide once, and all that is named is there.
     *
     * @throws Malformed
     */
    public function checked(): self
    {
        if (\count($this->slides) > Limits::SLIDES || \count($this->beds) > Limits::BEDS || \count($this->captions ?? []) > Limits::TIMED_CAPTIONS) {
            throw new Malformed(
                'document.story-too-full',
                ['slides' => Limits::SLIDES, 'beds' => Limits::BEDS, 'captions' => Limits::TIMED_CAPTIONS],
            );
        }
        $seen = [];
        foreach ($this->slides as $slide) {
            if (isset($seen[$slide->id])) {
                throw new Malformed('document.slides-alike');
            }
            $seen[$slide->id] = true;
            $this->checkSlide($slide);
        }
        if (null !== $this->style->own->picture && null === $this->picture($this->style->own->picture)) {
            throw new Malformed('document.picture-missing');
        }
        foreach ($this->beds as $bed) {
            if (null === $this->music($bed->asset)) {
                throw new Malformed('document.music-missing');
            }
        }

        return $this;
    }

    private function checkSlide(Slide $slide): void
    {
        $slide->check();
        foreach ($slide->layers as $layer) {
            if ($layer instanceof IconLayer && null !== $layer->asset && null === $this->picture($layer->asset)) {
                throw new Malformed('document.picture-missing');
            }
            if ($layer instanceof PictureLayer) {
                $picture = $this->picture($layer->asset) ?? throw new Malformed('document.picture-missing');
                if (null !== $layer->part && (null === $picture->clip || !$layer->part->liesIn($picture->clip))) {
                    throw new Malformed('document.clip-shorter');
                }
            }
        }
        foreach ($slide->voice as $span) {
            if ($span->to > ($this->voice($span->asset)->samples ?? 0)) {
                throw new Malformed('document.voice-missing');
            }
        }
    }

    /** The same story with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    /**
     * The same to be told again, by somebody else or in another language: without its voices and what was timed to them, each script
     * kept beside.
     */
    public function untold(): self
    {
        return $this->with(
            slides: array_map(static fn(Slide $slide): Slide => $slide->with(voice: [], toldBefore: $slide->script), $this->slides),
            assets: array_filter($this->assets, static fn(Asset $asset): bool => !$asset instanceof Voice),
            captions: null,
        );
    }

    /**
     * The same, whose assets go by other ids.
     *
     * @param array<string, string> $ids the new id of each
     */
    public function withAssetIds(array $ids): self
    {
        $renamed = static function (mixed $part) use (&$renamed, $ids): mixed {
            if (!\is_array($part)) {
                return \is_string($part) ? $ids[$part] ?? $part : $part;
            }
            $new = [];
            foreach ($part as $key => $value) {
                $new[$ids[$key] ?? $key] = $renamed($value);
            }

            return $new;
        };

        return self::fromArray($renamed($this->toArray()));
    }

    public function withAsset(Asset $asset): self
    {
        return $this->with(assets: array_replace($this->assets, [$asset->id => $asset]));
    }

    public function slide(string $id): ?Slide
    {
        $index = $this->indexOf($id);

        return null === $index ? null : $this->slides[$index];
    }

    /** @return int<0, max>|null */
    public function indexOf(string $id): ?int
    {
        foreach ($this->slides as $index => $slide) {
            if ($slide->id === $id) {
                return $index;
            }
        }

        return null;
    }

    /** @return list<Asset> all that it shows, speaks or plays, each once, in the order of its slides */
    public function used(): array
    {
        $ids = array_unique([
            ...array_merge(...array_map(static fn(Slide $one): array => $one->assets(), $this->slides)),
            ...array_map(static fn(Bed $bed): string => $bed->asset, $this->beds),
            ...array_filter([$this->style->own->picture]),
        ]);

        return array_values(array_filter(array_map(fn(string $id): ?Asset => $this->assets[$id] ?? null, $ids)));
    }

    public function picture(string $asset): ?Picture
    {
        $found = $this->assets[$asset] ?? null;

        return $found instanceof Picture ? $found : null;
    }

    public function voice(string $asset): ?Voice
    {
        $found = $this->assets[$asset] ?? null;

        return $found instanceof Voice ? $found : null;
    }

    public function music(string $asset): ?Music
    {
        $found = $this->assets[$asset] ?? null;

        return $found instanceof Music ? $found : null;
    }

    public function pictureOf(Slide $slide): ?Picture
    {
        return $this->picture((string) $slide->picture()?->asset);
    }

    /** What moves on a slide; null where nothing does. */
    public function clipOf(Slide $slide): ?Clip
    {
        return $this->pictureOf($slide)?->clip;
    }

    /** The recipe of that key by which a picture is shown on a slide; null where there is none. */
    public function recipe(string $asset, string $key): ?Recipe
    {
        foreach ($this->slides as $slide) {
            foreach ($slide->layers as $layer) {
                if ($layer instanceof PictureLayer && $layer->asset === $asset && $layer->recipe->key() === $key) {
                    return $layer->recipe;
                }
            }
        }

        return null;
    }

    /** Whether a slide lays that picture on that colour, #rrggbb, or would in another style. */
    public function lays(string $asset, string $colour): bool
    {
        $papers = [$this->style->scheme()->ground, ...array_map(static fn(StyleName $name): string => $name->scheme()->ground, StyleName::cases())];
        foreach ($this->slides as $slide) {
            foreach ($slide->pictures() as $layer) {
                foreach ($papers as $paper) {
                    if ($layer->liesOn($asset, $colour, $paper)) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /** The first picture that is shown. */
    public function cover(): ?PictureLayer
    {
        foreach ($this->slides as $slide) {
            if (null !== $slide->picture()) {
                return $slide->picture();
            }
        }

        return null;
    }

    /** The take that a slide begins to speak with. */
    public function voiceOf(Slide $slide): ?Voice
    {
        return [] === $slide->voice ? null : $this->voice($slide->voice[0]->asset);
    }

    public function transitionOf(Slide $slide): Transition
    {
        return $slide->transition ?? $this->style->transition;
    }

    /**
     * The document of schema/story.schema.json.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'version' => self::VERSION,
            'title' => $this->title,
            'language' => $this->language,
            'shape' => $this->shape->value,
            'style' => $this->style->toArray(),
            'credits' => $this->credits,
            'slides' => array_map(static fn(Slide $s): array => $s->toArray(), $this->slides),
            // An empty PHP array would become a JSON list.
            'assets' => [] === $this->assets ? new \stdClass() : array_map(static fn(Asset $a): array => $a->toArray(), $this->assets),
            'beds' => array_map(static fn(Bed $b): array => $b->toArray(), $this->beds),
            'captions' => null === $this->captions ? null : array_map(static fn(TimedCaption $c): array => $c->toArray(), $this->captions),
        ];
    }

    public function toJson(): string
    {
        return json_encode(
            $this->toArray(),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /** @throws Malformed */
    public static function fromJson(string $json): self
    {
        try {
            return self::fromArray(json_decode($json, true, 32, \JSON_THROW_ON_ERROR));
        } catch (\JsonException) {
            throw new Malformed('document.not-json');
        }
    }
}
