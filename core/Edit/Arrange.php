<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/**
 * Lays slides out in another way. What they show keeps its order. Where there is no cell left, words and icons lie over the
 * pictures, and pictures are taken off.
 */
final readonly class Arrange implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides, private Layout $layout) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, function (Slide $slide): Slide {
            if ($slide->layout->isWordsAlone() !== $this->layout->isWordsAlone()) {
                throw new Refused('edit.no-arrangement');
            }
            if ($this->layout->isWordsAlone()) {
                return $slide->with(layout: $this->layout);
            }

            return self::arranged($slide, $this->layout);
        });
    }

    public static function arranged(Slide $slide, Layout $layout): Slide
    {
        $slide = Layout::WithWords === $layout ? self::withWords($slide) : $slide;
        $things = self::things($slide);
        $places = self::places($things, $layout);
        $kept = [];
        foreach ($slide->layers as $layer) {
            $place = $places[$layer->id()] ?? null;
            // Over all of the slide lies one picture at most.
            if (!$layer instanceof PictureLayer || null !== $place || (Layout::Full === $layout && $layer === $slide->picture())) {
                $kept[] = \in_array($layer, $things, true) ? $layer->inCell($place) : $layer;
            }
        }

        return $slide->with(layout: $layout, layers: $kept);
    }

    /** @return list<Layer> what lies in cells, in their order; and the picture that lies over all of the slide */
    private static function things(Slide $slide): array
    {
        $things = array_values(array_filter(
            $slide->layers,
            static fn(Layer $layer): bool => null !== $layer->cell() || $layer instanceof PictureLayer,
        ));
        usort($things, static fn(Layer $a, Layer $b): int => $a->cell() <=> $b->cell());

        return $things;
    }

    /**
     * The cells that they have now are kept where all of them are there, and nothing is left out.
     *
     * @param list<Layer> $things
     *
     * @return array<string, int> the cell of each that has one, by id
     */
    private static function places(array $things, Layout $layout): array
    {
        $cells = array_map(static fn(Layer $layer): int => $layer->cell() ?? 0, $things);
        if (max([-1, ...$cells]) >= $layout->cells() || $cells !== array_unique($cells)) {
            $cells = array_keys($things);
        }
        $places = [];
        foreach ($things as $i => $layer) {
            if ($cells[$i] < $layout->cells()) {
                $places[$layer->id()] = $cells[$i];
            }
        }

        return $places;
    }

    /** What is written on the picture moves beside it; where nothing is, there is room to write. */
    private static function withWords(Slide $slide): Slide
    {
        $isWords = static fn(Layer $layer): bool => $layer instanceof WordsLayer;
        $things = self::things($slide);
        $others = array_values(array_filter($things, static fn(Layer $layer): bool => !$isWords($layer)));
        $words = array_values(array_filter($things, $isWords))[0]
            ?? $slide->written()[0]
            ?? new WordsLayer($slide->freeId('words'), WordsRole::Caption, place: null);
        $slide = $slide->with(layers: array_map(
            static fn(Layer $layer): Layer => $isWords($layer) ? $layer->inCell(null) : $layer,
            $slide->layers,
        ));
        foreach ($others as $cell => $layer) {
            // The first beside the words, the others after them.
            $slide = $slide->withLayer($layer->inCell(0 === $cell ? 0 : $cell + 1));
        }

        return $slide->withLayer($words->inCell(1));
    }
}
