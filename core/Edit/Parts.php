<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;

/**
 * A story taken apart, so that what two people change in different places does not touch: each of its own properties; the order
 * of its slides (`slides`), each property of one (`slides/ID/script`), the order of its layers (`slides/ID/layers`) and each layer
 * (`slides/ID/layers/LAYER`); each asset (`assets/ID`); the order of its beds (`beds`) and each bed (`beds/ID`).
 */
final class Parts
{
    /**
     * @param list<string> $keys
     *
     * @return array<string, mixed> those parts, where they are there
     */
    public static function of(Story $story, array $keys): array
    {
        $all = [];
        foreach ($keys as $key) {
            [$table, $id] = explode('/', $key) + [1 => null];
            if (!isset($all[$table . '/' . $id])) {
                $all[$table . '/' . $id] = match (true) {
                    'slides' === $table && null !== $id => self::slide($story->slide($id)),
                    'assets' === $table && null !== $id => ["assets/{$id}" => ($story->assets[$id] ?? null)?->toArray()],
                    'beds' === $table && null !== $id => ["beds/{$id}" => self::bed($story, $id)?->toArray()],
                    default => self::own($story),
                };
            }
        }

        return array_intersect_key(array_merge(...array_values($all)), array_flip($keys));
    }

    public static function isOrder(string $key): bool
    {
        return \in_array($key, ['slides', 'beds'], true) || 1 === preg_match('#^slides/[^/]+/layers$#D', $key);
    }

    /**
     * The parts of both that may differ. What is the very same object in both is not even looked at: an edit changes one slide of
     * two hundred.
     *
     * @return array{array<string, mixed>, array<string, mixed>}
     */
    public static function differing(Story $from, Story $to): array
    {
        $old = self::own($from);
        $new = self::own($to);
        foreach ([[self::byId($from->slides), self::byId($to->slides), self::slide(...)]] as [$a, $b, $parts]) {
            foreach ($a + $b as $id => $_) {
                if (($a[$id] ?? null) !== ($b[$id] ?? null)) {
                    $old += $parts($a[$id] ?? null);
                    $new += $parts($b[$id] ?? null);
                }
            }
        }
        foreach ([['assets', $from->assets, $to->assets], ['beds', self::byId($from->beds), self::byId($to->beds)]] as [$table, $a, $b]) {
            foreach ($a + $b as $id => $_) {
                if (($a[$id] ?? null) !== ($b[$id] ?? null)) {
                    $old["{$table}/{$id}"] = ($a[$id] ?? null)?->toArray();
                    $new["{$table}/{$id}"] = ($b[$id] ?? null)?->toArray();
                }
            }
        }

        return [$old, $new];
    }

    /** @param array<string, mixed> $parts that are put in place of those that are there; null takes one out */
    public static function put(Story $story, array $parts): Story
    {
        $assets = $story->assets;
        $beds = array_map(static fn(Bed $bed): array => $bed->toArray(), self::byId($story->beds));
        $changed = $own = [];
        foreach ($parts as $key => $value) {
            [$table, $id, $rest] = explode('/', $key, 3) + [1 => null, 2 => ''];
            match (true) {
                null === $id => $own[$key] = $value,
                'slides' === $table => $changed[$id][$rest] = $value,
                'beds' === $table => $beds[$id] = $value,
                null === $value => $assets = array_diff_key($assets, [$id => true]),
                default => $assets = array_replace($assets, [$id => AssetKind::read($id, Fields::of($value))]),
            };
        }
        $known = self::byId($story->slides);
        $slides = [];
        foreach (self::order($own['slides'] ?? array_keys($known)) as $id) {
            $slide = isset($changed[$id]) ? self::read($id, $known[$id] ?? null, $changed[$id]) : $known[$id] ?? null;
            $slides = null === $slide ? $slides : [...$slides, $slide];
        }
        $order = self::order($own['beds'] ?? array_keys(self::byId($story->beds)));
        $laid = array_map(static fn(string $id): ?Bed => isset($beds[$id]) ? Bed::read(Fields::of($beds[$id])) : null, $order);
        $style = isset($own['style']) ? Style::read(Fields::of($own['style'])) : $story->style;
        unset($own['slides'], $own['beds'], $own['style']);
        // The story's own properties are read by its own rules; its tables are there already, and what a style has of them.
        $plain = [] === $own ? $story : Story::fromArray(
            [...self::own($story), ...$own, 'version' => Story::VERSION, 'slides' => [], 'beds' => [], 'style' => null],
        );

        return $plain->with(slides: $slides, assets: $assets, beds: array_values(array_filter($laid)), style: $style)->checked();
    }

    /** @return array<string, mixed> */
    private static function own(Story $story): array
    {
        return [
            'title' => $story->title, 'language' => $story->language, 'shape' => $story->shape->value, 'style' => $story->style->toArray(),
            'credits' => $story->credits,
            'captions' => null === $story->captions ? null : array_map(static fn($caption): array => $caption->toArray(), $story->captions),
            'slides' => array_map(static fn(Slide $slide): string => $slide->id, $story->slides),
            'beds' => array_map(static fn(Bed $bed): string => $bed->id, $story->beds),
        ];
    }

    /** @return array<string, mixed> */
    private static function slide(?Slide $slide): array
    {
        if (null === $slide) {
            return [];
        }
        $parts = [];
        foreach ($slide->toArray() as $key => $value) {
            $parts["slides/{$slide->id}/{$key}"] = $value;
        }
        $parts["slides/{$slide->id}/layers"] = array_map(static fn(Layer $layer): string => $layer->id(), $slide->layers);
        foreach ($slide->layers as $layer) {
            $parts["slides/{$slide->id}/layers/{$layer->id()}"] = $layer->toArray();
        }

        return $parts;
    }

    /** @param array<string, mixed> $parts of the slide, by what follows its id */
    private static function read(string $id, ?Slide $known, array $parts): ?Slide
    {
        $whole = [];
        foreach (self::slide($known) as $key => $value) {
            $whole[substr($key, \strlen("slides/{$id}/"))] = $value;
        }
        $whole = array_replace($whole, $parts);
        if (null === ($whole['layout'] ?? null)) {
            return null;
        }
        $layers = array_map(static fn(string $layer): mixed => $whole["layers/{$layer}"] ?? null, self::order($whole['layers'] ?? []));

        return Slide::read(Fields::of([...$whole, 'id' => $id, 'layers' => array_values(array_filter($layers))]));
    }

    private static function bed(Story $story, string $id): ?Bed
    {
        return self::byId($story->beds)[$id] ?? null;
    }

    /**
     * @template T of Slide|Bed
     *
     * @param list<T> $list
     *
     * @return array<string, T>
     */
    private static function byId(array $list): array
    {
        $byId = [];
        foreach ($list as $one) {
            $byId[$one->id] = $one;
        }

        return $byId;
    }

    /** @return list<string> */
    private static function order(mixed $ids): array
    {
        return array_map(
            strval(...),
            \is_array($ids) ? array_values(array_filter($ids, static fn(mixed $id): bool => \is_string($id) || \is_int($id))) : [],
        );
    }
}
