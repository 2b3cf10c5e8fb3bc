<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** What is read aloud over a slide. What is tied to a word stays with that word. */
final readonly class SetScript implements Edit
{
    public function __construct(private string $slide, private string $script) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide) use ($story): Slide {
            $words = static fn(string $script): array => array_map(
                static fn(Unit $unit): string => trim($unit->text),
                Units::of($script, $story->language),
            );
            $places = null;
            // Most layers are tied to no word: theirs are not looked for.
            $place = function (int $word) use (&$places, $words, $slide): int {
                $places ??= self::places($words($slide->script), $words($this->script));

                return $places($word);
            };

            return $slide->with(
                script: $this->script,
                layers: array_map(static fn(Layer $layer): Layer => $layer->scripted($place), $slide->layers),
            );
        });
    }

    /**
     * Where a word has gone: what stands before all that was written stays in its place, what stands after it moves along, and what
     * was written over is the word in its place.
     *
     * @param list<string> $before
     * @param list<string> $after
     *
     * @return \Closure(int): int
     */
    private static function places(array $before, array $after): \Closure
    {
        $least = min(\count($before), \count($after));
        $same = 0;
        while ($same < $least && $before[$same] === $after[$same]) {
            ++$same;
        }
        $tail = 0;
        while ($tail < $least - $same && $before[\count($before) - 1 - $tail] === $after[\count($after) - 1 - $tail]) {
            ++$tail;
        }
        $moved = \count($after) - \count($before);

        return static fn(int $word): int => match (true) {
            $word >= \count($before) - $tail => $word + $moved,
            $word < $same => $word,
            default => max($same, min($word, \count($after) - $tail - 1)),
        };
    }
}
