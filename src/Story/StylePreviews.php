<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;

/** A story's own first slides in each of the styles: they are chosen by looking. */
final readonly class StylePreviews
{
    public function __construct(private PlanMaker $plans, private Drawings $drawings) {}

    /** @return list<array{name: string, scenes: list<array<string, mixed>>}> */
    public function of(StoryRecord $record): array
    {
        $story = self::short($record->story());

        return array_map(function (StyleName $name) use ($record, $story): array {
            $plan = $this->plans->plan($name === $story->style->name ? $story : $story->with(style: $story->style->named($name)));
            $this->drawings->keep($record, $plan);

            return ['name' => $name->value, 'scenes' => array_map(static fn(Scene $scene): array => $scene->toArray(), $plan->scenes)];
        }, StyleName::cases());
    }

    /** Its title, and the first picture with words on it; where it has none, the first two slides that it has. */
    private static function short(Story $story): Story
    {
        $first = static fn(\Closure $is): ?Slide => array_values(array_filter($story->slides, $is))[0] ?? null;
        $shown = array_filter([
            $first(static fn(Slide $slide): bool => Layout::Title === $slide->layout),
            $first(static fn(Slide $slide): bool => !$slide->layout->isWordsAlone() && $slide->isWrittenOn()),
        ]);
        foreach ($story->slides as $slide) {
            if (\count($shown) < 2 && !\in_array($slide, $shown, true)) {
                $shown[] = $slide;
            }
        }

        return $story->with(slides: array_values($shown), beds: [], captions: null, credits: false);
    }
}
