<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** A whole text, divided into the scripts of slides. Nothing of it is lost, and nothing is said twice. */
final class Dealing
{
    private const HEADING = '/^\s{0,3}#{1,6}\s.*$/mu';

    /** How it is meant to be divided: where it has no parts of its own, evenly. */
    public static function wayOf(string $text): DealWay
    {
        return \count(self::parts($text)) > 1 ? DealWay::Parts : DealWay::Evenly;
    }

    /**
     * @return list<string> one for each slide, as far as it goes: not more than there are slides. What is left over is the last one's
     */
    public static function over(string $text, int $slides, DealWay $way, string $language): array
    {
        $parts = DealWay::Parts === $way ? self::parts($text) : self::sentences(implode("\n\n", self::parts($text)), $slides, $language);
        if (\count($parts) > $slides) {
            $parts = [...\array_slice($parts, 0, $slides - 1), implode("\n\n", \array_slice($parts, $slides - 1))];
        }

        return $parts;
    }

    /** @return list<string> */
    private static function parts(string $text): array
    {
        $text = str_replace(["\r\n", "\r"], "\n", $text);
        $parts = preg_split('/\n[^\S\n]*\n/u', (string) preg_replace(self::HEADING, "\n", $text)) ?: [];

        return array_values(array_filter(array_map(trim(...), $parts), static fn(string $part): bool => '' !== $part));
    }

    /** @return list<string> */
    private static function sentences(string $text, int $slides, string $language): array
    {
        $sentences = array_values(array_filter(
            Breaks::sentences((string) preg_replace('/\s+/u', ' ', $text), $language),
            static fn(string $sentence): bool => '' !== trim($sentence),
        ));
        $weights = array_map(
            static fn(string $sentence): float => array_sum(array_map(static fn(Unit $unit): float => $unit->weight, Units::of($sentence, $language))),
            $sentences,
        );
        $whole = max(0.001, array_sum($weights));
        $slides = min($slides, \count($sentences));
        $parts = array_fill(0, $slides, '');
        $said = 0.0;
        $at = 0;
        foreach ($sentences as $i => $sentence) {
            // Its middle tells whose it is; nobody is passed over, and enough is left for those that follow.
            $share = (int) floor($slides * ($said + $weights[$i] / 2) / $whole);
            $at = max($slides - (\count($sentences) - $i), min($share, $at + ('' === $parts[$at] ? 0 : 1), $slides - 1));
            $parts[$at] .= $sentence;
            $said += $weights[$i];
        }

        return array_values(array_map(trim(...), $parts));
    }
}
