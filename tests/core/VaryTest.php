<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Edit\VaryTransitions;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Transitions that are varied by what happens, never more than three kinds. */
final class VaryTest extends TestCase
{
    /** A title, two pictures, one of them twice, a part of its own, a picture. */
    private static function story(StyleName $style = StyleName::Thread): Story
    {
        $story = Stories::of([
            ['layout' => Layout::Title], [], [], [], ['layout' => Layout::Title], [],
        ])->with(credits: false)->withAsset(Stories::moving(100, null, 'other'));
        $story = (new SetPicture('s1', 'other'))->apply($story);

        return (new SetStyle(null, $style))->apply($story);
    }

    /** @return list<string|null> the kind that each slide says itself */
    private static function told(Story $story): array
    {
        return array_map(static fn($slide): ?string => $slide->transition?->kind->value, $story->slides);
    }

    public function testEachSaysWhatHappensThere(): void
    {
        $varied = (new VaryTransitions())->apply(self::story());
        self::assertSame([
            null, // the first title gives way as is usual
            null, // another picture
            'crossfade', // the same picture goes on
            'through-dark', // to a new part
            'through-dark', // and from it
            null,
        ], self::told($varied));
        self::assertSame(0.5, $varied->slides[2]->transition?->seconds);
        self::assertSame(self::told($varied), self::told((new VaryTransitions())->apply($varied)), 'done twice it is the same');
    }

    public function testWhereThroughDarkIsUsualANewPartIsAnother(): void
    {
        self::assertSame('through-light', self::told((new VaryTransitions())->apply(self::story(StyleName::Lantern)))[3]);
    }

    public function testInEveryStyleProofFindsItCalm(): void
    {
        foreach (StyleName::cases() as $name) {
            $varied = (new VaryTransitions())->apply(self::story($name));
            $kinds = array_unique(array_map(static fn($slide): string => $varied->transitionOf($slide)->kind->value, $varied->slides));
            self::assertLessThanOrEqual(Proof::MOST_TRANSITIONS, \count($kinds), $name->value);
            $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($varied);
            $rules = array_map(static fn(Finding $finding): string => $finding->rule, Proof::read($varied, $plan));
            self::assertNotContains('many-joins', $rules);
        }
    }

    public function testWhatWasToldBeforeIsToldAnew(): void
    {
        $story = self::story();
        $loud = $story->with(slides: array_map(
            static fn($slide) => $slide->with(transition: new Transition(TransitionKind::Sweep, 2.0)),
            $story->slides,
        ));
        self::assertSame(self::told((new VaryTransitions())->apply($story)), self::told((new VaryTransitions())->apply($loud)));
    }
}
