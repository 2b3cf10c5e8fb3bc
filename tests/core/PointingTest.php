<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\LeaveOut;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Edit\SetPointer;
use Rhapsode\Core\Edit\SetPointing;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Pointing\Hand;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;

final class PointingTest extends TestCase
{
    /** A slide of eight seconds of voice, at which was pointed; they are those of its recording from the second second on. */
    private static function story(Stroke ...$strokes): Story
    {
        $story = Stories::of([['voice' => 8.0], ['voice' => 3.0]]);

        return (new SetPointing($story->slides[0]->voice, array_values($strokes)))->apply($story);
    }

    /** @return list<PlannedPointing> */
    private static function planned(Story $story, int $slide = 0): array
    {
        $scene = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[$slide];

        return array_values(array_filter($scene->layers, static fn(object $layer): bool => $layer instanceof PlannedPointing));
    }

    private static function scene(Story $story): Scene
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0];
    }

    /** @return list<array{int, float, float}> */
    private static function pointing(Story $story, string $voice = 't0'): array
    {
        return array_merge(...array_map(static fn(Stroke $stroke): array => $stroke->points, $story->voice($voice)->take->pointing ?? []));
    }

    public function testATremblingHandIsSteadiedAndNeitherLateNorFar(): void
    {
        $points = $true = [];
        // An arc in three seconds, noted thirty times a second by a hand that trembles by one in a hundred.
        $dice = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
        for ($ms = 0; $ms <= 3000; $ms += 33) {
            $true[$ms] = [0.2 + 0.6 * $ms / 3000, 0.5 + 0.3 * sin($ms / 3000 * \M_PI)];
            $points[] = [$ms, $true[$ms][0] + $dice->getInt(-100, 100) / 10_000, $true[$ms][1] + $dice->getInt(-100, 100) / 10_000];
        }
        $steady = Hand::steady(new Stroke(PointerForm::Ring, 'p', $points));
        $off = static function (Stroke $stroke, int $late) use ($true): float {
            $all = 0.0;
            foreach ($true as $ms => $place) {
                if ($ms > 200 && $ms < 2800) {
                    [$x, $y] = $stroke->at($ms + $late);
                    $all += hypot($x - $place[0], $y - $place[1]);
                }
            }

            return $all;
        };
        $raw = new Stroke(PointerForm::Ring, 'p', $points);
        self::assertLessThan(0.6 * $off($raw, 0), $off($steady, 0), 'it trembles less');
        // Neither earlier nor later would it fit better.
        self::assertLessThan(min($off($steady, -40), $off($steady, 40)), $off($steady, 0));
        self::assertLessThan(\count($points) / 2, \count($steady->points), 'fewer points tell the same');
        self::assertSame([0, 2970], [$steady->from(), $steady->to()]);
    }

    public function testWhereAHandRestsThePointerRests(): void
    {
        $steady = Hand::steady(new Stroke(PointerForm::Ring, 'p', [[0, 0.2, 0.2], [40, 0.2, 0.2], [4000, 0.3, 0.2], [4030, 0.35, 0.2], [4060, 0.4, 0.2]]));
        foreach ([100, 1000, 2500, 3700] as $ms) {
            self::assertEqualsWithDelta(0.2, $steady->at($ms)[0], 0.003, "at {$ms}");
        }
        self::assertGreaterThan(0.34, $steady->at(4060)[0]);
    }

    /** @return iterable<string, array{mixed}> */
    public static function unreadable(): iterable
    {
        yield 'no list' => ['ring'];
        yield 'no form' => [[['points' => [[0, 0, 0]]]]];
        yield 'no points' => [[['form' => 'ring', 'points' => []]]];
        yield 'beyond the picture' => [[['form' => 'ring', 'points' => [[0, 1.5, 0]]]]];
        yield 'backwards' => [[['form' => 'ring', 'points' => [[10, 0, 0], [5, 0, 0]]]]];
        yield 'too short' => [[['form' => 'ring', 'points' => [[10, 0]]]]];
    }

    #[DataProvider('unreadable')]
    public function testARecordingIsNotRefusedForHowSomebodyPointed(mixed $told): void
    {
        $good = ['form' => 'light', 'points' => [[10, 0.5, 0.5]]];
        self::assertSame([], Hand::read(Fields::of(['pointing' => $told]), 'pointing'));
        if (\is_array($told)) {
            self::assertCount(1, Hand::read(Fields::of(['pointing' => [...$told, $good]]), 'pointing'));
        }
    }

    public function testItGoesWithWhatIsSaid(): void
    {
        $story = self::story(new Stroke(PointerForm::Ring, 'p', [[1000, 0.1, 0.5], [7000, 0.7, 0.5]]));
        $scene = self::scene($story);
        [$layer] = self::planned($story);
        // The voice begins half a second after its slide, so that the third second of it is frame 105.
        self::assertEqualsWithDelta(0.3, $layer->x->at(105), 0.002);
        self::assertSame(45, $layer->comes);
        self::assertSame(225 + PlannedPointing::SOFT, $layer->goes);
        self::assertSame(0.0, $layer->seen(105), 'it is not what a slide is shown by');
        self::assertSame($layer, $scene->layers[\count($scene->layers) - 1] == $layer ? $layer : null, 'it is over all else');

        // Two seconds are left out: what was pointed at then goes with them, and the rest comes so much sooner.
        $cut = (new LeaveOut($story->slides[0]->id, [new Span('t0', 192_000, 288_000)]))->apply($story);
        $two = self::planned($cut);
        self::assertCount(2, $two);
        self::assertEqualsWithDelta(0.3, $two[0]->x->at(105), 0.002);
        self::assertEqualsWithDelta(0.5, $two[1]->x->at(106), 0.01);
        self::assertEqualsWithDelta(0.7, $two[1]->x->at(165), 0.002);
        // Nothing of it is lost.
        self::assertSame(self::pointing($story), self::pointing($cut));
    }

    public function testItStaysWithThePictureWhileThatMoves(): void
    {
        $story = self::story(new Stroke(PointerForm::Ring, 'p', [[500, 0.6, 0.4], [7000, 0.6, 0.4]]));
        $scene = self::scene($story);
        [$layer] = self::planned($story);
        $picture = $scene->pictures()[0];
        self::assertFalse($picture->move->isStill());
        foreach ([40, 120, 200] as $frame) {
            $t = $scene->progress($scene->start + $frame);
            self::assertEquals((new Point(0.6, 0.4))->seenIn($picture->move->at($t)), $layer->at($frame, $t));
        }
    }

    public function testOnAnotherPictureNobodyPoints(): void
    {
        $story = self::story(new Stroke(PointerForm::Ring, 'p', [[500, 0.6, 0.4], [900, 0.6, 0.4]]), new Stroke(PointerForm::Light, null, [[2000, 0.5, 0.5]]));
        self::assertCount(2, self::planned($story));
        $other = (new SetPicture($story->slides[0]->id, 'c'))->apply($story->withAsset(Stories::moving(200, -20.0, 'c')));
        self::assertSame([PointerForm::Light], array_map(static fn(PlannedPointing $layer): PointerForm => $layer->form, self::planned($other)));
        self::assertSame([], self::planned($story, 1));
    }

    public function testATapIsSeenForASecond(): void
    {
        [$layer] = self::planned(self::story(new Stroke(PointerForm::Ring, 'p', [[3000, 0.5, 0.5]])));
        self::assertSame(30, $layer->goes - $layer->comes);
        self::assertSame([0.0, 1.0, 1.0, 0.0], array_map($layer->opacity()->at(...), [$layer->comes, $layer->comes + 6, $layer->goes - 6, $layer->goes]));
    }

    public function testDoneAgainItIsInThePlaceOfWhatWasThereAndOnlyThere(): void
    {
        $story = self::story(new Stroke(PointerForm::Ring, 'p', [[1000, 0.1, 0.1], [7000, 0.7, 0.1]]));
        $heard = [new Span('t0', 288_000, 336_000), new Span('t0', 144_000, 192_000)];
        $again = (new SetPointing($heard, [new Stroke(PointerForm::Arrow, 'p', [[500, 0.9, 0.9], [1500, 0.8, 0.8]])]))->apply($story);
        $told = array_map(static fn(Stroke $s): array => [$s->form->value, $s->from(), $s->to()], $again->voice('t0')->take->pointing ?? []);
        self::assertSame([
            ['ring', 2000, 2999], ['arrow', 3000, 3500], ['ring', 4001, 5999], ['arrow', 6500, 7000], ['ring', 7001, 8000],
        ], $told);
        // Asked twice it is done once.
        self::assertEquals($again, (new SetPointing($heard, [new Stroke(PointerForm::Arrow, 'p', [[500, 0.9, 0.9], [1500, 0.8, 0.8]])]))->apply($again));
        $dropped = (new SetPointing([new Span('t0', 0, 480_000)], []))->apply($again);
        self::assertSame([], $dropped->voice('t0')->take->pointing ?? null);
        $light = (new SetPointer([new Span('t0', 0, 9000)], PointerForm::Light))->apply($again);
        $forms = array_map(static fn(Stroke $s): string => $s->form->value, $light->voice('t0')->take->pointing ?? []);
        self::assertSame(array_fill(0, 5, 'light'), $forms);
    }

    public function testACrumbOfWhatWasDoneAgainIsNotLeft(): void
    {
        // Its end lies in the silence that is not heard.
        $story = self::story(new Stroke(PointerForm::Ring, 'p', [[1000, 0.1, 0.1], [7900, 0.7, 0.1]]), new Stroke(PointerForm::Light, 'p', [[7950, 0.5, 0.5]]));
        $again = (new SetPointing([new Span('t0', 48_000, 420_000)], []))->apply($story);
        self::assertSame([PointerForm::Light], array_map(static fn(Stroke $s): PointerForm => $s->form, $again->voice('t0')->take->pointing ?? []));
    }

    public function testThereIsAnEndToHowOften(): void
    {
        $strokes = array_map(static fn(int $n): Stroke => new Stroke(PointerForm::Ring, null, [[2 * $n, 0.5, 0.5]]), range(0, Limits::STROKES));
        $this->expectExceptionObject(new Refused('edit.pointing-full'));
        self::story(...$strokes);
    }

    public function testLightCoversTheSlideWhereverItIs(): void
    {
        foreach (Shape::cases() as $shape) {
            [$width, $height] = $shape->pixels(720);
            self::assertSame([2 * $width, 2 * $height], PointerForm::Light->ground($shape));
            foreach (PointerForm::drawn($shape) as $drawn) {
                self::assertNotFalse(simplexml_load_string($drawn['drawing']));
            }
        }
    }
}
