<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

/** Brings together two changes of one list of ids. */
final class Order
{
    /**
     * What a list becomes that stood as $met when a change to $wanted was made, and stands as $now: what the change took out goes,
     * what it put in comes after its neighbour, what it moved is moved, and all else stays where it is.
     *
     * @param list<string> $met
     * @param list<string> $wanted
     * @param list<string> $now
     *
     * @return list<string>
     */
    public static function merged(array $met, array $wanted, array $now): array
    {
        $list = array_values(array_diff($now, array_diff($met, $wanted)));
        $moved = array_diff(array_intersect($wanted, $met), self::inOrder(array_values(array_intersect($wanted, $met)), $met));
        $placed = [...array_diff($wanted, $met), ...array_intersect($moved, $now)];
        foreach ($wanted as $i => $id) {
            if (!\in_array($id, $placed, true) || (\in_array($id, $met, true) && !\in_array($id, $now, true))) {
                continue;
            }
            $list = array_values(array_diff($list, [$id]));
            $at = 0;
            for ($k = $i - 1; $k >= 0 && 0 === $at; --$k) {
                $found = array_search($wanted[$k], $list, true);
                $at = false === $found ? 0 : $found + 1;
            }
            array_splice($list, $at, 0, [$id]);
        }

        return array_values(array_unique($list));
    }

    /**
     * The longest run of ids that stand in both lists in the same order: the others are those that were moved.
     *
     * @param list<string> $ids
     * @param list<string> $in
     *
     * @return list<string>
     */
    private static function inOrder(array $ids, array $in): array
    {
        $place = array_flip($in);
        $length = $before = [];
        $best = null;
        foreach ($ids as $i => $id) {
            [$length[$i], $before[$i]] = [1, null];
            for ($k = 0; $k < $i; ++$k) {
                if ($place[$ids[$k]] < $place[$id] && $length[$k] + 1 > $length[$i]) {
                    [$length[$i], $before[$i]] = [$length[$k] + 1, $k];
                }
            }
            $best = null === $best || $length[$i] > $length[$best] ? $i : $best;
        }
        $run = [];
        for ($i = $best; null !== $i; $i = $before[$i]) {
            array_unshift($run, $ids[$i]);
        }

        return $run;
    }
}
