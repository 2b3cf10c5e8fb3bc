<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\BadShape;
use Rhapsode\Core\Shape\Fields;

/** The whole story as its maker said it: everything that is seen and heard is computed from it. */
final readonly class Story
{
    public const VERSION = 1;
    public const MAX_SLIDES = 500;
    public const MAX_BEDS = 50;
    public const MAX_CAPTIONS = 5000;

    /**
     * @param list<Slide>            $slides
     * @param array<string, Picture> $pictures by id
     * @param array<string, Take>    $takes    by id
     * @param array<string, Music>   $music    by id
     * @param list<Bed>              $beds
     * @param list<Spoken>|null      $captions what is said, from a file of captions; null where the script tells
     * @param bool                   $credits  whether the sources are credited at the end of the film
     */
    public function __construct(
        public string $title,
        public array $slides = [],
        public array $pictures = [],
        public array $takes = [],
        public string $language = 'en',
        public Shape $shape = Shape::Wide,
        public bool $credits = true,
        public array $music = [],
        public array $beds = [],
        public ?array $captions = null,
    ) {}

    /** A new story opens with its title slide. */
    public static function begin(string $title, string $titleSlideId): self
    {
        return new self($title, [new Slide($titleSlideId, SlideKind::Title)]);
    }

    /** @throws BadShape when the document is not a story, or a slide names a picture or take that is not there */
    public static function fromArray(mixed $data): self
    {
        $in = Fields::of($data);
        $in->whole('version', self::VERSION, self::VERSION);
        $pictures = [];
        foreach ($in->named('pictures') as $id => $fields) {
            $pictures[$id] = Picture::read($id, $fields);
        }
        $takes = [];
        foreach ($in->named('takes') as $id => $fields) {
            $takes[$id] = Take::read($id, $fields);
        }
        $music = [];
        foreach ($in->named('music') as $id => $fields) {
            $music[$id] = Music::read($id, $fields);
        }
        $story = new self(
            $in->text('title', 120, min: 1),
            array_map(Slide::read(...), $in->objects('slides')),
            $pictures,
            $takes,
            $in->text('language', 35, 'en'),
            $in->choice('shape', Shape::class, Shape::Wide),
            $in->flag('credits', true),
            $music,
            array_map(Bed::read(...), $in->objects('beds')),
            $in->has('captions') ? array_map(Spoken::read(...), $in->objects('captions')) : null,
        );

        return $story->checked();
    }

    /**
     * The story itself, when what it is put together from fits together: each slide once, and all that is named is there.
     *
     * @throws BadShape
     */
    public function checked(): self
    {
        if (\count($this->slides) > self::MAX_SLIDES) {
            throw new BadShape(\sprintf('A story holds at most %d slides.', self::MAX_SLIDES));
        }
        $seen = [];
        foreach ($this->slides as $slide) {
            if (isset($seen[$slide->id])) {
                throw new BadShape('Two slides have the same id.');
            }
            $seen[$slide->id] = true;
            if (null !== $slide->picture && !isset($this->pictures[$slide->picture])) {
                throw new BadShape('A slide shows a picture that the story does not hold.');
            }
            if (null !== $slide->take && !isset($this->takes[$slide->take])) {
                throw new BadShape('A slide speaks with a take that the story does not hold.');
            }
        }
        foreach ($this->beds as $bed) {
            if (!isset($this->music[$bed->music])) {
                throw new BadShape('A bed plays music that the story does not hold.');
            }
        }
        if (\count($this->beds) > self::MAX_BEDS || \count($this->captions ?? []) > self::MAX_CAPTIONS) {
            throw new BadShape(\sprintf('A story holds at most %d beds and %d captions.', self::MAX_BEDS, self::MAX_CAPTIONS));
        }

        return $this;
    }

    /** The same story with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
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

    public function pictureOf(Slide $slide): ?Picture
    {
        return null === $slide->picture ? null : ($this->pictures[$slide->picture] ?? null);
    }

    public function takeOf(Slide $slide): ?Take
    {
        return null === $slide->take ? null : ($this->takes[$slide->take] ?? null);
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
            'credits' => $this->credits,
            'slides' => array_map(static fn(Slide $s): array => $s->toArray(), $this->slides),
            // An empty PHP array would become a JSON list.
            'pictures' => [] === $this->pictures ? new \stdClass() : array_map(static fn(Picture $p): array => $p->toArray(), $this->pictures),
            'takes' => [] === $this->takes ? new \stdClass() : array_map(static fn(Take $t): array => $t->toArray(), $this->takes),
            'music' => [] === $this->music ? new \stdClass() : array_map(static fn(Music $m): array => $m->toArray(), $this->music),
            'beds' => array_map(static fn(Bed $b): array => $b->toArray(), $this->beds),
            'captions' => null === $this->captions ? null : array_map(static fn(Spoken $c): array => $c->toArray(), $this->captions),
        ];
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION);
    }

    /** @throws BadShape */
    public static function fromJson(string $json): self
    {
        try {
            return self::fromArray(json_decode($json, true, 32, \JSON_THROW_ON_ERROR));
        } catch (\JsonException) {
            throw new BadShape('The story file is not valid JSON.');
        }
    }
}
