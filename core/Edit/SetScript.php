<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** What is read aloud over a slide. A stop of its picture that is tied to a word stays with that word. */
final readonly class SetScript implements Edit
{
    public function __construct(private string $slide, private string $script) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide) use ($story): Slide {
            $changed = $slide->with(script: $this->script);
            if ([] === ($slide->picture()->framing->stops ?? [])) {
                return $changed;
            }
            $words = static fn(string $script): array => array_map(
                static fn(Unit $unit): string => trim($unit->text),
                Units::of($script, $story->language),
            );
            $place = self::places($words($slide->script), $words($this->script));

            return OnStops::change(
                $changed,
                static fn(Stop $stop): Stop => null === $stop->word ? $stop : Stop::atWord($stop->frame, $place($stop->word)),
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
