<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Layer\Layer;

/** What of a story is another than it was: slide by slide, in the order of now, those that are gone behind them. */
final class SlideChanges
{
    /** @return list<SlideChange> */
    public static function between(Story $before, Story $now): array
    {
        $was = self::byId($before);
        $is = self::byId($now);
        $moved = self::moved(self::ids(array_intersect_key($was, $is)), self::ids(array_intersect_key($is, $was)));
        $changes = [];
        foreach ($is as $id => [$place, $slide]) {
            [$old, $earlier] = $was[$id] ?? [null, null];
            $kinds = match (true) {
                null === $earlier => [ChangeKind::Added],
                default => [...\in_array((string) $id, $moved, true) ? [ChangeKind::Moved] : [], ...self::of($earlier, $slide)],
            };
            if ([] !== $kinds) {
                $changes[] = new SlideChange((string) $id, $old, $place, $kinds);
            }
        }
        foreach (array_diff_key($was, $is) as $id => [$place]) {
            $changes[] = new SlideChange((string) $id, $place, null, [ChangeKind::Removed]);
        }

        return $changes;
    }

    /** @return list<ChangeKind> */
    private static function of(Slide $before, Slide $now): array
    {
        $facets = static function (Slide $slide): array {
            $layers = static fn(bool $isWords): array => array_values(array_filter(
                array_map(static fn(Layer $layer): array => $layer->toArray(), $slide->layers),
                static fn(array $layer): bool => $isWords === ('words' === ($layer['kind'] ?? '')),
            ));
            $all = $slide->toArray();

            return [
                ChangeKind::Picture->value => $layers(false),
                ChangeKind::Words->value => $layers(true),
                ChangeKind::Voice->value => $all['voice'] ?? [],
                ChangeKind::Script->value => $slide->script,
                ChangeKind::Look->value => array_diff_key($all, array_flip(['id', 'layers', 'script', 'voice', 'toldBefore'])),
            ];
        };
        [$a, $b] = [$facets($before), $facets($now)];

        return array_map(ChangeKind::from(...), array_keys(array_filter($a, static fn(mixed $was, string $kind): bool => $was != $b[$kind], \ARRAY_FILTER_USE_BOTH)));
    }

    /**
     * As few as can have been taken elsewhere: all but the longest run of slides that still follow each other as before.
     *
     * @param list<string> $before
     * @param list<string> $now    the same ones
     *
     * @return list<string>
     */
    private static function moved(array $before, array $now): array
    {
        $place = array_flip($before);
        /** @var list<list<string>> $longest that ends with each */
        $longest = [];
        foreach ($now as $n => $id) {
            $best = [];
            for ($k = 0; $k < $n; ++$k) {
                if ($place[$now[$k]] < $place[$id] && \count($longest[$k]) > \count($best)) {
                    $best = $longest[$k];
                }
            }
            $longest[] = [...$best, $id];
        }
        /** @var list<string> $stays */
        $stays = [];
        foreach ($longest as $run) {
            $stays = \count($run) > \count($stays) ? $run : $stays;
        }

        return array_values(array_diff($now, $stays));
    }

    /**
     * @param array<array-key, mixed> $slides
     *
     * @return list<string> also where an id looks like a number, of which PHP makes one
     */
    private static function ids(array $slides): array
    {
        return array_map(strval(...), array_keys($slides));
    }

    /** @return array<array-key, array{int, Slide}> */
    private static function byId(Story $story): array
    {
        $slides = [];
        foreach ($story->slides as $n => $slide) {
            $slides[$slide->id] = [$n + 1, $slide];
        }

        return $slides;
    }
}
