<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Credits, page after page or rolling: all of them, as long as looking them over takes. */
final class CreditsRollTest extends TestCase
{
    private static function plan(int $entries, string $way, Shape $shape = Shape::Wide, string $title = 'The mill by the old weir in spring', string $link = 'example.org/weir'): Plan
    {
        $pictures = $slides = [];
        foreach (range(1, $entries) as $i) {
            $pictures["p{$i}"] = new Picture("p{$i}", "{$i}.jpg", 1600, 900, new Source("{$title} {$i}", 'Ann Ash', $link, 'CC BY 4.0'));
            $slides[] = Slide::showing("s{$i}", "p{$i}");
        }
        $story = (new SetStyle(null, null, ['credits' => $way]))->apply(new Story('T', $slides, $pictures, shape: $shape));

        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
    }

    /** @return list<Scene> */
    private static function credits(Plan $plan): array
    {
        return array_values(array_filter($plan->scenes, static fn(Scene $scene): bool => str_starts_with($scene->id, 'credits')));
    }

    private static function roll(Plan $plan): PlannedRoll
    {
        $scenes = self::credits($plan);
        self::assertCount(1, $scenes);
        $roll = $scenes[0]->layers[0];
        self::assertInstanceOf(PlannedRoll::class, $roll);
        self::assertSame($roll->frames, $scenes[0]->end - $scenes[0]->start);
        self::assertFalse($scenes[0]->isStill());

        return $roll;
    }

    /** @return iterable<string, array{int, Shape}> */
    public static function lengths(): iterable
    {
        foreach (Shape::cases() as $shape) {
            foreach ([1, 5, 24, 90] as $entries) {
                yield "{$entries} in {$shape->value}" => [$entries, $shape];
            }
        }
    }

    /** Every line passes through the safe area, whole, for longer than it takes to read; the last are in sight at the end. */
    #[DataProvider('lengths')]
    public function testEveryEntryIsSeenForLongEnough(int $entries, Shape $shape): void
    {
        $plan = self::plan($entries, 'roll', $shape);
        $roll = self::roll($plan);
        $slide = $shape->height(TextBlock::SHORTER);
        self::assertEqualsWithDelta($slide, $roll->block->height / $roll->block->slides, 1e-6);
        self::assertStringContainsString(' ' . $entries, implode(' ', array_map(static fn(Line $line): string => $line->text, $roll->block->lines)));
        foreach ($roll->block->lines as $line) {
            self::assertDoesNotMatchRegularExpression('/^·|·$/u', $line->text);
            self::assertGreaterThanOrEqual(0.05 * $roll->block->width, $line->left());
            self::assertLessThanOrEqual(0.95 * $roll->block->width, $line->left() + $line->width);
            $seen = 0;
            for ($frame = 0; $frame < $roll->frames; ++$frame) {
                $y = $roll->top->at($frame) * $slide + $line->y;
                $seen += $y >= 0.05 * $slide && $y + $line->size <= 0.95 * $slide ? 1 : 0;
            }
            self::assertGreaterThan(Rate::FPS * max(2.0, mb_strlen($line->text) / 100), $seen, $line->text);
        }
        $end = $roll->top->at($roll->frames - 1) * $slide;
        $last = $roll->block->lines[\count($roll->block->lines) - 1];
        self::assertLessThanOrEqual(0.95 * $slide, $end + $last->y + $last->size);
        self::assertGreaterThanOrEqual(0.4 * $slide, $end + $last->y);
        // Its heading is in sight as it begins.
        self::assertEqualsWithDelta(0.6, $roll->top->at(0), 0.01);
    }

    #[DataProvider('lengths')]
    public function testItGoesEvenlyAndNoFasterThanOneReads(int $entries, Shape $shape): void
    {
        $plan = self::plan($entries, 'roll', $shape);
        $roll = self::roll($plan);
        $slide = $shape->height(TextBlock::SHORTER);
        $step = ($roll->top->at(0) - $roll->top->at(1)) * $slide;
        self::assertContains(round($step, 6), [0.5, 1.0, 2.0], 'whole pixels, or one every second frame');
        $moves = $roll->top->points[1][0];
        self::assertEqualsWithDelta($step, ($roll->top->at($moves - 1) - $roll->top->at($moves)) * $slide, 1e-6);
        self::assertSame($roll->top->at($moves), $roll->top->at($roll->frames - 1));
        self::assertEqualsWithDelta(round($roll->top->at($moves) * $slide), $roll->top->at($moves) * $slide, 1e-6);
        // A tall roll takes as long as its entries take to be looked over, or longer.
        $read = Credits::reading($plan->credits);
        self::assertGreaterThanOrEqual($read * (0.5 === $step ? 0.5 : 1), $roll->block->height / $step / Rate::FPS);
    }

    public function testPagesAreSeenForAsLongAsTheirEntriesTake(): void
    {
        $seconds = static fn(Plan $plan): array => array_map(static fn(Scene $s): float => Rate::seconds($s->end - $s->start), self::credits($plan));
        // Short entries take a second each, long ones as long as they are.
        self::assertSame([7.0], $seconds(self::plan(4, 'pages', title: 'A', link: '')));
        $long = $seconds(self::plan(4, 'pages', title: str_repeat('The mill by the old weir in spring ', 3)));
        self::assertGreaterThan(8.0, $long[0]);
        self::assertLessThan(11.0, $long[0]);
        self::assertCount(4, self::credits(self::plan(24, 'pages')));
    }

    public function testWhatIsTooLongToRollComesPageAfterPage(): void
    {
        $plan = self::plan(300, 'roll');
        self::assertCount(50, self::credits($plan));
        self::assertCount(1, self::credits(self::plan(150, 'roll')));
    }

    public function testStylesHaveTheirWayAndAMakerHasHis(): void
    {
        $ways = array_map(static fn(StyleName $style): string => $style->scheme()->credits->value, StyleName::cases());
        self::assertContains('roll', $ways);
        self::assertContains('pages', $ways);
        $story = (new SetStyle(null, StyleName::Lantern))->apply(new Story('T'));
        self::assertSame('roll', $story->style->scheme()->credits->value);
        $paged = (new SetStyle(null, null, ['credits' => 'pages']))->apply($story);
        self::assertSame('pages', $paged->style->scheme()->credits->value);
        self::assertSame('roll', (new SetStyle(null, null, ['credits' => null]))->apply($paged)->style->scheme()->credits->value);
        self::assertEquals($paged->style, Story::fromJson($paged->toJson())->style);
    }

    public function testAMomentAtWhichMostIsSeenTellsMost(): void
    {
        $roll = self::roll($plan = self::plan(24, 'roll'));
        $scene = self::credits($plan)[0];
        self::assertGreaterThan($roll->seen(0), $roll->seen($scene->telling()));
    }
}
