<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Arrange;
use Rhapsode\Core\Edit\DeleteLayer;
use Rhapsode\Core\Edit\PutBeside;
use Rhapsode\Core\Edit\PutInCell;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetSequence;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\PlannedMat;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Cells;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** One to four things on a slide, each in a cell of its own. */
final class ArrangementTest extends TestCase
{
    private static function plan(Story $story): Plan
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
    }

    private static function scene(Story $story, int $slide = 0): Scene
    {
        return self::plan($story)->scenes[$slide];
    }

    /**
     * A slide with a picture and a caption, and more pictures that may be shown.
     *
     * @param array<string, mixed> $slide
     */
    private static function story(array $slide = []): Story
    {
        $story = Stories::of([$slide + ['caption' => 'A fact', 'stay' => 8.0]]);
        foreach (['q' => [2400, 1600], 'r' => [1600, 2400], 's' => [900, 900], 't' => [6000, 900]] as $id => [$width, $height]) {
            $picture = Stories::picture($width, $height);
            $story = $story->withAsset(new \Rhapsode\Core\Asset\Picture($id, "{$id}.jpg", $width, $height, $picture->source));
        }

        return $story;
    }

    /** @return list<string> the layer in each cell, '' where nothing lies */
    private static function cells(Story $story): array
    {
        $slide = $story->slides[0];
        $lies = array_fill(0, $slide->layout->cells(), '');
        foreach ($slide->layers as $layer) {
            if (null !== $layer->cell()) {
                $lies[$layer->cell()] = $layer->id();
            }
        }

        return array_values($lies);
    }

    /** @return iterable<string, array{Layout, Shape}> */
    public static function everywhere(): iterable
    {
        foreach (Layout::cases() as $layout) {
            foreach (Shape::cases() as $shape) {
                yield "{$layout->value} in {$shape->value}" => [$layout, $shape];
            }
        }
    }

    #[DataProvider('everywhere')]
    public function testCellsNeverMeetAndKeepTheirGapToEachOtherAndToTheEdges(Layout $layout, Shape $shape): void
    {
        foreach ([0.0, 0.018, 0.04] as $gap) {
            $cells = Cells::of($layout, $shape, $gap);
            self::assertCount($layout->cells(), $cells);
            [$x, $y] = [$gap * min(1.0, 1 / $shape->ratio()), $gap * min(1.0, $shape->ratio())];
            foreach ($cells as $i => $cell) {
                self::assertGreaterThanOrEqual($x - 1e-9, min($cell->x, 1 - $cell->x - $cell->width));
                self::assertGreaterThanOrEqual($y - 1e-9, min($cell->y, 1 - $cell->y - $cell->height));
                // Whatever lies there is seen: none is a mere strip.
                self::assertGreaterThan(0.18, min($cell->width, $cell->height));
                foreach (\array_slice($cells, $i + 1) as $other) {
                    $apart = max(
                        max($cell->x, $other->x) - min($cell->x + $cell->width, $other->x + $other->width) - $x,
                        max($cell->y, $other->y) - min($cell->y + $cell->height, $other->y + $other->height) - $y,
                    );
                    self::assertGreaterThan(-1e-9, $apart);
                    // In reading order.
                    self::assertTrue($other->y > $cell->y + 1e-9 || ($other->x > $cell->x + 1e-9 && $other->y > $cell->y - 1e-9));
                }
            }
        }
    }

    public function testWhatAWideSlideSetsSideBySideAnUprightOneStacks(): void
    {
        foreach ([Layout::Beside, Layout::Three, Layout::WithWords] as $layout) {
            [$wide, $upright] = [Cells::of($layout, Shape::Wide, 0.02), Cells::of($layout, Shape::Upright, 0.02)];
            self::assertCount(1, array_unique(array_map(static fn(Frame $cell): float => round($cell->y, 6), $wide)));
            self::assertCount(1, array_unique(array_map(static fn(Frame $cell): float => round($cell->x, 6), $upright)));
        }
    }

    public function testOneMorePictureIsPutBesideAndOneTakenOffLeavesItsRoomToTheOthers(): void
    {
        $story = self::story();
        $seen = [];
        foreach (['q', 'r', 's'] as $asset) {
            $story = (new PutBeside('s0', $asset))->apply($story);
            $seen[] = [$story->slides[0]->layout, self::cells($story)];
        }
        self::assertSame([
            [Layout::Beside, ['picture', 'picture-2']],
            [Layout::Large, ['picture', 'picture-2', 'picture-3']],
            [Layout::Four, ['picture', 'picture-2', 'picture-3', 'picture-4']],
        ], $seen);
        // The caption lies over them as it lay over one.
        self::assertNull($story->slides[0]->layer('caption')?->cell());

        $story = (new DeleteLayer('s0', 'picture-2'))->apply($story);
        self::assertSame([Layout::Large, ['picture', 'picture-3', 'picture-4']], [$story->slides[0]->layout, self::cells($story)]);
        $story = (new DeleteLayer('s0', 'picture'))->apply((new DeleteLayer('s0', 'picture-3'))->apply($story));
        self::assertSame(Layout::Full, $story->slides[0]->layout);
        self::assertNull($story->slides[0]->picture()?->cell);
        self::assertSame('s', $story->slides[0]->picture()?->asset);
    }

    public function testAFifthIsRefused(): void
    {
        $story = self::story();
        foreach (['q', 'r', 's'] as $asset) {
            $story = (new PutBeside('s0', $asset))->apply($story);
        }
        $this->expectException(Refused::class);
        (new PutBeside('s0', 't'))->apply($story);
    }

    public function testAnEmptyCellIsFilledBeforeThereIsAnotherArrangement(): void
    {
        $story = (new Arrange(['s0'], Layout::Three))->apply(self::story());
        self::assertSame(['picture', '', ''], self::cells($story));
        $story = (new PutBeside('s0', 'q'))->apply($story);
        self::assertSame([Layout::Three, ['picture', 'picture-2', '']], [$story->slides[0]->layout, self::cells($story)]);
    }

    public function testTwoWhoLaySomethingInOneCellBothHaveIt(): void
    {
        $story = (new Arrange(['s0'], Layout::Three))->apply(self::story());
        $story = (new SetLayer('s0', 'w', LayerKind::Words, ['cell' => 1]))->apply($story);
        $story = (new SetLayer('s0', 'i', LayerKind::Icon, ['cell' => 1]))->apply($story);
        self::assertSame(['picture', 'w', 'i'], self::cells($story));
        // What is there already is not moved by what is told of it.
        self::assertSame(
            ['picture', 'w', 'i'],
            self::cells((new SetLayer('s0', 'w', LayerKind::Words, ['text' => 'Mine', 'cell' => 1]))->apply($story)),
        );
        $this->expectException(Malformed::class);
        (new SetLayer('s0', 'late', LayerKind::Words, ['cell' => 1]))->apply($story)->slides[0]->check();
    }

    public function testTheyChangePlaces(): void
    {
        $story = (new PutBeside('s0', 'q'))->apply(self::story());
        self::assertSame(['picture-2', 'picture'], self::cells((new PutInCell('s0', 'picture', 1))->apply($story)));
        $three = (new Arrange(['s0'], Layout::Three))->apply($story);
        self::assertSame(['picture', '', 'picture-2'], self::cells((new PutInCell('s0', 'picture-2', 2))->apply($three)));
        self::assertSame(self::cells($three), self::cells((new PutInCell('s0', 'picture', 0))->apply($three)));
        $this->expectException(Refused::class);
        (new PutInCell('s0', 'picture', 2))->apply($story);
    }

    public function testLaidOutInFewerCellsWordsLieOverThePictureAndPicturesAreTakenOff(): void
    {
        $story = (new PutBeside('s0', 'q'))->apply(self::story());
        $story = (new Arrange(['s0'], Layout::Four))->apply($story);
        $story = (new SetLayer('s0', 'w', LayerKind::Words, ['text' => 'Beside', 'cell' => 2]))->apply($story);
        $whole = (new Arrange(['s0'], Layout::Full))->apply($story)->slides[0];
        self::assertSame(['picture', 'caption', 'w'], array_map(static fn(Layer $layer): string => $layer->id(), $whole->layers));
        self::assertSame([null, null, null], array_map(static fn(Layer $layer): ?int => $layer->cell(), $whole->layers));
    }

    public function testBesideAPictureStandsWhatWasWrittenOnIt(): void
    {
        $story = (new Arrange(['s0'], Layout::WithWords))->apply(self::story());
        self::assertSame(['picture', 'caption'], self::cells($story));
        // Where nothing is written there is room to write.
        $bare = (new Arrange(['s0'], Layout::WithWords))->apply(self::story(['caption' => '']));
        self::assertSame(['picture', 'words'], self::cells($bare));
        self::assertInstanceOf(WordsLayer::class, $bare->slides[0]->layer('words'));
        // Three pictures, of which the second and third make room.
        $three = (new PutBeside('s0', 'r'))->apply((new PutBeside('s0', 'q'))->apply(self::story()));
        self::assertSame(['picture', 'caption'], self::cells((new Arrange(['s0'], Layout::WithWords))->apply($three)));
    }

    public function testATitleIsNotLaidOut(): void
    {
        $this->expectException(Refused::class);
        (new Arrange(['s0'], Layout::Beside))->apply(Stories::of([['layout' => Layout::Title]]));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function misplaced(): iterable
    {
        $picture = static fn(string $id, ?int $cell): array => ['id' => $id, 'kind' => 'picture', 'asset' => 'p'] + (null === $cell ? [] : ['cell' => $cell]);
        yield 'two in one cell' => [['layout' => 'beside', 'layers' => [$picture('a', 0), $picture('b', 0)]]];
        yield 'a cell that is not there' => [['layout' => 'beside', 'layers' => [$picture('a', 2)]]];
        yield 'a picture over all of the cells' => [['layout' => 'beside', 'layers' => [$picture('a', null)]]];
        yield 'a cell of a whole slide' => [['layout' => 'full', 'layers' => [$picture('a', 0)]]];
        yield 'two over a whole slide' => [['layers' => [$picture('a', null), $picture('b', null)]]];
    }

    /** @param array<string, mixed> $slide */
    #[DataProvider('misplaced')]
    public function testWhatHasNoPlaceIsNoSlide(array $slide): void
    {
        $this->expectException(Malformed::class);
        Slide::read(\Rhapsode\Core\Document\Fields::of(['id' => 's'] + $slide))->check();
    }

    /** A picture fills its cell, unless too much of it would be lost: then it lies there in its own shape. */
    public function testAPictureFillsItsCellOrLiesInItWhole(): void
    {
        $story = (new PutBeside('s0', 't'))->apply((new PutBeside('s0', 'r'))->apply(self::story()));
        $story = (new Arrange(['s0'], Layout::Three))->apply($story);
        $pictures = self::scene($story)->pictures();
        $cells = Cells::of(Layout::Three, Shape::Wide, $story->style->scheme()->mount->gap);
        self::assertTrue($pictures[1]->box?->equals($cells[1]));
        $box = $pictures[2]->box;
        self::assertNotNull($box);
        // 6000 by 900 in a third of a wide slide.
        self::assertEqualsWithDelta(6000 / 900, $box->width * 16 / 9 / $box->height, 1e-6);
        self::assertEqualsWithDelta($cells[2]->width, $box->width, 1e-9);
        self::assertTrue($pictures[2]->move->opensOn->equals(Frame::all()));
    }

    public function testEachLooksOverItsOwnPictureInTheShapeOfItsCell(): void
    {
        $story = (new PutBeside('s0', 'q'))->apply(self::story());
        foreach (self::scene($story)->pictures() as $i => $picture) {
            $box = $picture->box;
            self::assertNotNull($box);
            [$width, $height] = 0 === $i ? [2400, 1350] : [2400, 1600];
            $seen = $picture->move->opensOn;
            self::assertEqualsWithDelta($box->width * 16 / ($box->height * 9), $seen->width * $width / ($seen->height * $height), 1e-6);
        }
    }

    public function testEvenlyEachComesAfterAsMuchTimeAndTheFirstIsThere(): void
    {
        $story = (new PutBeside('s0', 'r'))->apply((new PutBeside('s0', 'q'))->apply(self::story()));
        $scene = self::scene((new SetSequence(['s0'], Sequence::Evenly))->apply($story));
        $comes = array_map(static fn(PlannedPicture $picture): int => $picture->opacity()->points[0][0], $scene->pictures());
        self::assertSame([0, 80, 160], $comes);
        self::assertSame([1.0, 0.0, 0.0], array_map(static fn(PlannedPicture $one): float => $one->seen(0), $scene->pictures()));
        // Its corners come with each.
        $mats = array_values(array_filter($scene->layers, static fn($layer): bool => $layer instanceof PlannedMat));
        self::assertSame($comes, array_map(static fn(PlannedMat $mat): int => $mat->opacity()->points[0][0], $mats));
        // One that was told when comes then.
        $told = (new SetLayer('s0', 'picture-2', LayerKind::Picture, ['comes' => 1]))->apply($story);
        $told = (new SetSequence(['s0'], Sequence::Evenly))->apply($told);
        self::assertSame(30, self::scene($told)->pictures()[1]->opacity()->points[0][0]);
    }

    public function testAsTheScriptIsSpokenEachComesWithASentence(): void
    {
        $story = self::story(['voice' => 9.0, 'script' => 'Here is the mill by the river. There is the wheel. And up there the miller climbs his stair to the stones.']);
        $story = (new PutBeside('s0', 'r'))->apply((new PutBeside('s0', 'q'))->apply($story));
        $scene = self::scene((new SetSequence(['s0'], Sequence::Spoken))->apply($story));
        $told = static fn(int $word): array => (new SetLayer('s0', 'caption', LayerKind::Words, ['comes' => ['word' => $word]]))
            ->apply($story)->slides[0]->layer('caption')?->toArray() ?? [];
        foreach ([1 => 7, 2 => 11] as $cell => $word) {
            self::assertSame(['word' => $word], $told($word)['comes']);
            $tied = (new SetLayer('s0', 'caption', LayerKind::Words, ['comes' => ['word' => $word]]))->apply($story);
            $words = self::scene($tied)->words()[0];
            self::assertSame($words->opacity()->points[0][0], $scene->pictures()[$cell]->opacity()->points[0][0]);
        }
        // Nobody speaks: then evenly.
        $silent = self::story(['script' => 'One. Two. Three.']);
        $silent = (new SetSequence(['s0'], Sequence::Spoken))->apply((new PutBeside('s0', 'q'))->apply($silent));
        self::assertSame(120, self::scene($silent)->pictures()[1]->opacity()->points[0][0]);
    }

    public function testAClipBeginsAndIsHeardWhenItComes(): void
    {
        $story = self::story()->withAsset(Stories::moving(120, -20.0, 'c'));
        $story = (new SetSequence(['s0'], Sequence::Evenly))->apply((new PutBeside('s0', 'c'))->apply($story));
        $plan = self::plan($story);
        $clip = $plan->scenes[0]->pictures()[1]->clip;
        self::assertSame([0, 0, 1], [$clip?->frame(0), $clip?->frame(120), $clip?->frame(121)]);
        [$play] = array_values(array_filter($plan->plays, static fn(Play $play): bool => Bus::Clip === $play->bus));
        self::assertSame(120 * Rate::SAMPLES_PER_FRAME, $play->at);
    }

    public function testTheLongestOfSeveralClipsSaysHowLongTheSlideStays(): void
    {
        $story = self::story(['stay' => null])->withAsset(Stories::moving(120, null, 'c'))->withAsset(Stories::moving(200, null, 'd'));
        $story = (new PutBeside('s0', 'd'))->apply((new PutBeside('s0', 'c'))->apply($story));
        self::assertSame(200, self::scene($story)->end);
    }

    public function testALabelNamesAPointOfThePictureThatItIsFor(): void
    {
        $story = (new PutBeside('s0', 'q'))->apply(self::story(['caption' => '']));
        $story = (new SetLayer('s0', 'l', LayerKind::Words, [
            'role' => 'label', 'text' => 'The wheel', 'of' => 'picture-2', 'target' => ['x' => 0.5, 'y' => 0.5],
        ]))->apply($story);
        $scene = self::scene($story);
        $line = array_values(array_filter($scene->layers, static fn($layer): bool => $layer instanceof PlannedPointer))[0];
        $box = $scene->pictures()[1]->box;
        self::assertNotNull($box);
        foreach ([0.0, 0.5, 1.0] as $t) {
            self::assertTrue($line->end($t)->isIn($box));
        }
        // It stands near what it names.
        self::assertGreaterThan(0.4, $scene->words()[0]->block->body()->x);
    }

    /** Words in a cell: in it, in the safe area, legible on the ground of every style, in any shape. */
    public function testWordsInACellStandInItAndAreLegible(): void
    {
        $texts = [
            'High water.', str_repeat('For three hundred years the tide ground our flour. ', 4), 'المد والجزر يطحنان القمح', '潮汐の水車は三百年のあいだ粉をひいた',
        ];
        $fits = 0;
        foreach (Shape::cases() as $shape) {
            foreach (StyleName::cases() as $style) {
                foreach ($texts as $text) {
                    $story = (new Arrange(['s0'], Layout::WithWords))->apply(self::story(['caption' => mb_substr($text, 0, 300)]));
                    $story = $story->with(shape: $shape, style: $story->style->named($style));
                    $scene = self::scene($story);
                    $block = $scene->words()[0]->block;
                    $cell = Cells::of(Layout::WithWords, $shape, $style->scheme()->mount->gap)[1];
                    $fits += (int) $block->fits;
                    foreach ($block->lines as $line) {
                        $left = $line->left() / $block->width;
                        self::assertGreaterThanOrEqual(max(0.05, $cell->x) - 1e-9, $left);
                        self::assertLessThanOrEqual(min(0.95, $cell->x + $cell->width) + 1e-9, $left + $line->width / $block->width);
                        self::assertGreaterThanOrEqual(max(0.05, $cell->y) - 1e-9, $line->y / $block->height);
                        self::assertLessThanOrEqual(min(0.95, $cell->y + $cell->height) + 1e-9, ($line->y + $line->size) / $block->height);
                        self::assertGreaterThanOrEqual(
                            4.5,
                            Contrast::ratio(Contrast::luminance($line->colour), Contrast::luminance($scene->ground)),
                        );
                    }
                }
            }
        }
        self::assertGreaterThan(100, $fits, 'most of them at a size that can be read');
    }

    public function testWordsOverSeveralPicturesStandOnAPlate(): void
    {
        $story = (new PutBeside('s0', 'q'))->apply(self::story());
        $words = array_values(array_filter(self::scene($story)->layers, static fn($layer): bool => $layer instanceof PlannedWords))[0];
        self::assertNotSame([], $words->block->plates);
    }

    public function testProofSpeaksOfAnEmptyPlaceAndOfEachPicture(): void
    {
        $story = (new Arrange(['s0'], Layout::Three))->apply((new PutBeside('s0', 'q'))->apply(self::story()));
        $rules = static fn(Story $story): array => array_map(
            static fn($finding): string => $finding->rule,
            Proof::read($story, self::plan($story)),
        );
        self::assertContains('empty-cell', $rules($story));
        self::assertNotContains('no-source', $rules($story));
        $bare = $story->withAsset(new \Rhapsode\Core\Asset\Picture('n', 'n.jpg', 2000, 1500));
        $bare = (new PutBeside('s0', 'n'))->apply($bare);
        self::assertNotContains('empty-cell', $rules($bare));
        self::assertContains('no-source', $rules($bare));
    }
}
