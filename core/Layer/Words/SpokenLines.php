<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Legibility;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\Units;
use Rhapsode\Core\Words\WordsLook;

/** Lines of words that light up one after the other as they are said: for songs, and to read along. */
final class SpokenLines
{
    /** What a line is lit with; the others are white beside it. */
    private const LIT = '#FFD34D';
    private const SOFT = 0.15;

    /** They stand so that lit letters are clear: white ones are clearer still on any ground on which these are. */
    public static function look(WordsLook $look): WordsLook
    {
        return new WordsLook($look->size, $look->face, self::LIT, $look->backing, $look->weight);
    }

    /** How the lines are that are not lit. */
    public static function unlit(TextBlock $block): TextBlock
    {
        return $block->coloured(Legibility::LIGHT);
    }

    /**
     * The lit lines, each over its own.
     *
     * @return list<PlannedWords> none where the script does not hold the text
     */
    public static function of(string $id, string $text, TextBlock $block, Envelope $opacity, LayerContext $context): array
    {
        $said = $context->moments->ofText($text);
        if ([] === $said) {
            return [];
        }
        $lit = [];
        $first = 0;
        $end = ($said[\count($said) - 1] ?? 0.0) + self::last($said);
        foreach ($block->lines as $i => $line) {
            $words = \count(Units::of($line->text, $context->language));
            $from = $said[$first] ?? null;
            if (0 === $words || null === $from) {
                continue;
            }
            $first += $words;
            $lit[] = new PlannedWords(
                "{$id}-line-{$i}",
                new TextBlock($block->width, $block->height, [$line->coloured(self::LIT)]),
                Envelope::comingAndGoing($from, $said[$first] ?? $end, $context->frames, Rate::FPS, self::SOFT)->times($opacity),
                isLit: true,
            );
        }

        return $lit;
    }

    /** @param list<float> $said @return float seconds that the last word is taken to last: as long as the others do in the middle */
    private static function last(array $said): float
    {
        $lengths = array_map(static fn(float $a, float $b): float => $b - $a, \array_slice($said, 0, -1), \array_slice($said, 1));
        sort($lengths);

        return max(0.4, $lengths[intdiv(\count($lengths), 2)] ?? 0.4);
    }
}
