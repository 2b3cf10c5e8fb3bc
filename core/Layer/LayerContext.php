<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Framing\Moments;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Mount;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Scheme;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WordsLook;

/** What a layer is planned with: its slide, the layers beside it, and what lies under it already. */
final readonly class LayerContext
{
    /**
     * @param string                    $slide    its id
     * @param string                    $title    what a heading says that says nothing
     * @param \Closure(string, string, WordsLook, WordsLook): array{TextBlock, TextBlock} $headings sets them
     * @param int                       $frames   that the slide is seen, transitions included
     * @param string|null               $next     asset of the picture that the next slide shows
     * @param Moments                   $moments  when what is tied to its words happens
     * @param list<Layer>               $beside   all layers of the slide, back to front
     * @param array<string, Asset>      $assets   of the story, by id
     * @param array<string, LightUnder> $lights   by Rendition::lightKey()
     * @param list<Frame>               $cells    of its arrangement; none where what it shows is over all of it
     * @param string                    $ground   colour behind them, #rrggbb
     * @param list<float|null>          $turns    for each cell the second of the slide at which what lies in it comes; null from the beginning
     * @param Drift|null                $drift   what passes between pictures and words
     * @param list<PlannedLayer>        $under    planned before, back to front
     */
    public function __construct(
        public string $slide,
        public string $title,
        public \Closure $headings,
        public string $language,
        public Shape $shape,
        public int $frames,
        public ?string $next,
        public Moments $moments,
        public array $beside,
        public array $assets,
        public array $lights,
        public Typesetter $typesetter,
        public Memo $memo,
        public array $cells = [],
        public Mount $mount = new Mount(),
        public string $ground = Scheme::PAPER,
        public array $turns = [],
        public ?Drift $drift = null,
        public array $under = [],
    ) {}

    /** Where something in that cell lies; null for all of the slide. */
    public function box(?int $cell): ?Frame
    {
        return null === $cell ? null : $this->cells[$cell] ?? null;
    }

    /** The second at which what lies in that cell comes; null from the beginning. */
    public function turn(?int $cell): ?float
    {
        return null === $cell ? null : $this->turns[$cell] ?? null;
    }

    public function over(PlannedLayer ...$layers): self
    {
        return new self(
            $this->slide,
            $this->title,
            $this->headings,
            $this->language,
            $this->shape,
            $this->frames,
            $this->next,
            $this->moments,
            $this->beside,
            $this->assets,
            $this->lights,
            $this->typesetter,
            $this->memo,
            $this->cells,
            $this->mount,
            $this->ground,
            $this->turns,
            $this->drift,
            [...$this->under, ...array_values($layers)],
        );
    }

    /** Names what is computed from such things, for the memo. */
    public function key(string $what, mixed ...$from): string
    {
        return $what . hash('xxh128', serialize([$this->language, $this->shape, $this->typesetter->key, $from]));
    }
}
