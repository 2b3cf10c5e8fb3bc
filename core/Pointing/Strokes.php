<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pointing;

/** The strokes of one recording, in the order in which they come. */
final class Strokes
{
    /** Milliseconds of a stroke that tell nobody anything, where the rest of it is gone. */
    private const CRUMB = 300;

    /**
     * @param list<Stroke> $strokes
     *
     * @return list<Stroke> what lies between two milliseconds
     */
    public static function between(array $strokes, float $from, float $to): array
    {
        return array_values(array_filter(array_map(static fn(Stroke $stroke): ?Stroke => $stroke->between($from, $to), $strokes)));
    }

    /**
     * @param list<Stroke> $strokes
     * @param list<Stroke> $new     that lie there
     *
     * @return list<Stroke> what lies elsewhere, and the new
     */
    public static function replaced(array $strokes, float $from, float $to, array $new): array
    {
        $all = $new;
        foreach ($strokes as $stroke) {
            foreach ([$stroke->between(0, $from - 1), $stroke->between($to + 1, \INF)] as $rest) {
                if (null !== $rest && ($rest == $stroke || $rest->to() - $rest->from() > self::CRUMB)) {
                    $all[] = $rest;
                }
            }
        }
        usort($all, static fn(Stroke $a, Stroke $b): int => $a->from() <=> $b->from());

        return $all;
    }

    /**
     * @param list<Stroke> $strokes
     *
     * @return list<array<string, mixed>>
     */
    public static function toArray(array $strokes): array
    {
        return array_map(static fn(Stroke $stroke): array => $stroke->toArray(), $strokes);
    }
}
