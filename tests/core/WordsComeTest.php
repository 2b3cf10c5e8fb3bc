<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetScript;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\Align;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\OwnPlace;
use Rhapsode\Core\Words\Plate;
use Rhapsode\Core\Words\Type;
use Rhapsode\Core\Words\Weight;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** When words come and how, where they are put by hand, what a label points at, and lines that light up as they are said. */
final class WordsComeTest extends TestCase
{
    private const SCRIPT = 'The sea comes up the river, and it goes home again. Nobody asks it to.';

    /** @param array<string, mixed> $changes */
    private static function story(array $changes, Shape $shape = Shape::Wide): Story
    {
        $story = Stories::of([['stay' => 8.0, 'script' => self::SCRIPT, 'framing' => new Framing(
            Motion::Set,
            new Frame(0, 0, 1, 1),
            new Frame(0.4, 0.4, 0.5, 0.5),
        )]])->with(shape: $shape);

        return (new SetLayer('s0', 'w', LayerKind::Words, ['text' => 'It goes home again', ...$changes]))->apply($story);
    }

    private static function scene(Story $story): Scene
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0];
    }

    /** @param array<string, mixed> $changes */
    private static function planned(array $changes, Shape $shape = Shape::Wide): PlannedWords
    {
        return self::scene(self::story($changes, $shape))->words()[0];
    }

    /** @return list<float> the frames at which it is hardly seen no more, and seen whole */
    private static function seen(Envelope $opacity, float $least): array
    {
        $frames = array_filter(range(0, 239), static fn(int $frame): bool => $opacity->at($frame) >= $least);

        return [] === $frames ? [] : [(float) min($frames), (float) max($frames)];
    }

    public function testTheyComeAndGoAsAWordIsSaidHoweverTheScriptIsChangedBeforeIt(): void
    {
        $story = self::story(['comes' => ['word' => 6], 'goes' => ['word' => 11]]);
        [$from, $to] = self::seen(self::scene($story)->words()[0]->opacity(), 1.0);
        // Eight seconds for 14 words: about the seventh and the twelfth.
        self::assertEqualsWithDelta(240 * 6 / 14, $from, 30);
        self::assertEqualsWithDelta(240 * 11 / 14, $to, 30);
        $more = (new SetScript('s0', 'Twice a day, ' . self::SCRIPT))->apply($story);
        $layer = $more->slides[0]->layer('w')?->toArray() ?? [];
        self::assertSame([['word' => 9], ['word' => 14]], [$layer['comes'], $layer['goes']]);
        $none = (new SetScript('s0', ''))->apply($story);
        self::assertNotSame([], self::scene($none)->words(), 'without a script they are there');
    }

    public function testASecondIsASecond(): void
    {
        $planned = self::planned(['comes' => 2, 'goes' => 5.5]);
        self::assertSame([60.0 + 12, 165.0 - 12], self::seen($planned->opacity(), 1.0));
        self::assertSame([2.0, 5.5], [self::story(['comes' => 2])->slides[0]->layer('w')?->toArray()['comes'], 5.5]);
    }

    public function testAtOnceThereIsNoTimeBetween(): void
    {
        $opacity = self::planned(['comes' => 2, 'goes' => 5, 'entrance' => 'at-once'])->opacity();
        self::assertSame([0.0, 1.0, 1.0, 0.0], array_map($opacity->at(...), [59, 60, 149, 150]));
        self::assertCount(1, self::planned(['entrance' => 'at-once'])->opacity()->points, 'what is always there is so');
    }

    public function testWhatComesFromBelowIsThereAfterALittle(): void
    {
        $planned = self::planned(['comes' => 1, 'entrance' => 'rise']);
        $rise = $planned->rise;
        self::assertNotNull($rise);
        self::assertSame([1.0, 1.0, 0.0, 0.0], array_map($rise->at(...), [0, 30, 42, 200]));
        self::assertSame([0.0, 1.0], array_map($planned->opacity()->at(...), [30, 42]));
        $begins = self::planned(['entrance' => 'rise'])->rise?->points[0][0] ?? 0;
        self::assertSame(0, $begins, 'where no moment is told, when the slide is there');
    }

    #[DataProvider('written')]
    public function testWhatIsWrittenIsSeenFromWhereItsLanguageBegins(string $text, bool $isLeftward): void
    {
        $planned = self::planned(['text' => $text, 'entrance' => 'written', 'comes' => 1, 'size' => 'largest']);
        $reveal = $planned->reveal;
        self::assertNotNull($reveal);
        self::assertSame($isLeftward, $reveal->bands[0]->isLeftward);
        // Never less than before, and all in the end.
        $points = [];
        foreach ($reveal->bands as $band) {
            foreach ([0.02, 0.5, 0.98] as $share) {
                $points[] = [$band->box->x + $share * $band->box->width, $band->box->y + $band->box->height / 2];
            }
        }
        foreach ($points as [$x, $y]) {
            $before = 0.0;
            foreach (range(0, 239) as $frame) {
                $now = $reveal->weight($reveal->written->at($frame), $x, $y);
                self::assertGreaterThanOrEqual($before, $now);
                $before = $now;
            }
            self::assertSame(1.0, $before);
        }
        // In the middle of the first line's time its first half is there, the second not.
        [$band] = $reveal->bands;
        $at = static fn(float $share): float => $reveal->weight($band->to / 2, $band->box->x + $share * $band->box->width, $band->box->y + 0.001);
        self::assertSame($isLeftward ? [0.0, 1.0] : [1.0, 0.0], [$at(0.2), $at(0.8)]);
        // The bands take all that is drawn.
        $last = $reveal->bands[\count($reveal->bands) - 1]->box;
        $all = $planned->block->covers();
        self::assertEqualsWithDelta([$all->y, $all->y + $all->height], [$band->box->y, $last->y + $last->height], 1e-9);
    }

    /** @return iterable<string, array{string, bool}> */
    public static function written(): iterable
    {
        yield 'English, several lines' => ['Twice a day the sea comes up and goes home again, and nobody asks it to do so', false];
        yield 'Arabic' => ['المد والجزر مرتين كل يوم', true];
        yield 'Hebrew after a figure' => ['2 גאות ושפל', true];
        yield 'Chinese' => ['潮水每天来两次', false];
    }

    public function testPutByHandTheyStandThereAndNeverOutsideTheSafeArea(): void
    {
        mt_srand(5);
        foreach (Shape::cases() as $shape) {
            for ($i = 0; $i < 60; ++$i) {
                $at = ['x' => mt_rand(0, 100) / 100, 'y' => mt_rand(0, 100) / 100];
                $width = 0 === mt_rand(0, 1) ? null : mt_rand(15, 100) / 100;
                $align = [null, ...Align::cases()][mt_rand(0, 3)]?->value;
                $planned = self::planned(['at' => $at, 'width' => $width, 'align' => $align], $shape);
                $body = $planned->block->body();
                foreach ($planned->block->lines as $line) {
                    $left = $line->left() / $planned->block->width;
                    self::assertGreaterThanOrEqual(Spot::EDGE - 1e-6, $left);
                    self::assertLessThanOrEqual(1 - Spot::EDGE + 1e-6, $left + $line->width / $planned->block->width);
                    self::assertGreaterThanOrEqual(Spot::EDGE - 1e-6, $line->y / $planned->block->height);
                    self::assertLessThanOrEqual(1 - Spot::EDGE + 1e-6, ($line->y + $line->size) / $planned->block->height);
                    self::assertSame($align ?? 'center', $line->align);
                }
                // Where there is room about the point, its middle is there.
                [$x, $y] = [$body->x + $body->width / 2, $body->y + $body->height / 2];
                $isFree = static fn(float $middle, float $size): bool => $middle - $size / 2 > 0.075 && $middle + $size / 2 < 0.925;
                if ($isFree($at['x'], $body->width)) {
                    self::assertEqualsWithDelta($at['x'], $x, 1e-6);
                }
                if ($isFree($at['y'], $body->height)) {
                    self::assertEqualsWithDelta($at['y'], $y, 1e-6);
                }
                if (null !== $width && $width <= 0.9) {
                    self::assertEqualsWithDelta($width, $body->width, 1e-6);
                }
            }
        }
    }

    /** Captions of what is said keep off words at the bottom, wherever their spot would have been. */
    public function testPutByHandTheyCountAsStandingWhereTheyAre(): void
    {
        $place = static fn(float $y): ?Spot => self::planned(['place' => 'bottom', 'at' => ['x' => 0.5, 'y' => $y]])->place;
        self::assertSame([Spot::Top, Spot::Middle, Spot::Bottom], [$place(0.1), $place(0.5), $place(0.9)]);
        $scene = static fn(float $y): Scene => self::scene(self::story(['place' => 'top', 'at' => ['x' => 0.5, 'y' => $y]]));
        self::assertSame([false, true], [$scene(0.1)->hasWordsAtTheBottom(), $scene(0.9)->hasWordsAtTheBottom()]);
    }

    public function testASpotThatIsChosenEndsWhatWasPutByHand(): void
    {
        $story = self::story(['at' => ['x' => 0.3, 'y' => 0.4], 'width' => 0.4, 'align' => 'right']);
        $at = static fn(Story $story): mixed => $story->slides[0]->layer('w')?->toArray()['at'] ?? null;
        self::assertSame(['x' => 0.3, 'y' => 0.4], $at($story));
        $spot = (new SetLayer('s0', 'w', LayerKind::Words, ['place' => 'top']))->apply($story);
        self::assertNull($at($spot));
        $told = $spot->slides[0]->layer('w')?->toArray() ?? [];
        self::assertSame([0.4, 'right'], [$told['width'], $told['align']], 'how wide they are stays');
        $other = (new SetLayer('s0', 'w', LayerKind::Words, ['colour' => '#ffffff']))->apply($story);
        self::assertSame(['x' => 0.3, 'y' => 0.4], $at($other));
        $both = (new SetLayer('s0', 'w', LayerKind::Words, ['place' => 'top', 'at' => ['x' => 0.6, 'y' => 0.6]]))->apply($story);
        self::assertSame(['x' => 0.6, 'y' => 0.6], $at($both));
    }

    public function testALabelPointsAtItsPointAllTheWay(): void
    {
        $scene = self::scene(self::story(['role' => 'label', 'text' => 'The wheel', 'target' => ['x' => 0.6, 'y' => 0.7]]));
        $pointers = array_values(array_filter($scene->layers, static fn($layer): bool => $layer instanceof PlannedPointer));
        self::assertCount(1, $pointers);
        [$pointer] = $pointers;
        $picture = $scene->picture();
        self::assertNotNull($picture);
        $body = $scene->words()[0]->block->body();
        foreach ([0.0, 0.2, 0.5, 0.8, 1.0] as $t) {
            $frame = $picture->move->at($t);
            $end = $pointer->end($t);
            // The very point of the picture, back from where it is seen on the slide.
            self::assertEqualsWithDelta(0.6, $frame->x + $end->x * $frame->width, 1e-6);
            self::assertEqualsWithDelta(0.7, $frame->y + $end->y * $frame->height, 1e-6);
            self::assertTrue($pointer->begin($t)->isIn($body));
            self::assertFalse($end->isIn($body), 'the label does not cover what it names');
        }
        self::assertSame('pointer', $scene->layers[1]->toArray()['kind'], 'it lies under its words');
    }

    public function testWhereThePointLeavesTheSlideTheLineEndsWithinIt(): void
    {
        $pointer = self::scene(self::story(['role' => 'label', 'target' => ['x' => 0.0, 'y' => 1.0]]))->layers[1];
        self::assertInstanceOf(PlannedPointer::class, $pointer);
        self::assertTrue($pointer->end(1.0)->isIn(new Frame(0.02, 0.02, 0.96, 0.96)));
        self::assertSame([0.02, 0.98], [$pointer->end(1.0)->x, $pointer->end(1.0)->y]);
        self::assertCount(1, array_filter(
            self::scene(self::story(['role' => 'caption', 'target' => ['x' => 0.0, 'y' => 1.0]]))->layers,
            static fn($layer): bool => $layer instanceof PlannedWords,
        ), 'a fact points at nothing');
    }

    public function testEachLineLightsUpAsItIsSaid(): void
    {
        $text = "The sea comes up the river,\nand it goes home again";
        $words = self::scene(self::story(['text' => $text, 'spoken' => true]))->words();
        self::assertCount(3, $words);
        [$base, $first, $second] = $words;
        self::assertFalse($base->isLit);
        self::assertSame(['#FFFFFF', '#FFD34D'], [$base->block->lines[0]->colour, $first->block->lines[0]->colour]);
        self::assertSame(
            [$base->block->lines[1]->x, $base->block->lines[1]->y, $base->block->lines[1]->size],
            [$second->block->lines[0]->x, $second->block->lines[0]->y, $second->block->lines[0]->size],
        );
        $lit = static fn(PlannedWords $line): array => self::seen($line->opacity(), 0.99);
        self::assertLessThan($lit($second)[0], $lit($first)[1], 'one after the other');
        self::assertLessThan(8, $lit($second)[0] - $lit($first)[1] - 8, 'and without a gap');
        self::assertLessThan(200, $lit($second)[1], 'not while the last sentence is said');
        // What is not in the script is not lit; nor is anything where it is not asked for.
        self::assertCount(1, self::scene(self::story(['text' => 'Another song', 'spoken' => true]))->words());
        self::assertCount(1, self::scene(self::story(['text' => $text]))->words());
    }

    public function testTheTimeToReadIsThatInWhichTheyAreSeen(): void
    {
        $text = 'Twice a day the sea comes up the river, and then it goes home';
        $found = static function (string $what = 'text', float|string|null $value = null) use ($text): array {
            $story = self::story([$what => $value, 'text' => $text]);
            $findings = Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story));

            return array_values(array_map(
                static fn(Finding $finding): array => $finding->message->parameters,
                array_filter($findings, static fn(Finding $finding): bool => 'too-fast-to-read' === $finding->rule),
            ));
        };
        // 61 letters take four seconds of the eight that the slide is seen.
        self::assertSame([], $found());
        self::assertSame([], $found('comes', 2.5));
        $late = $found('comes', 5.5);
        self::assertCount(1, $late);
        self::assertSame(5, $late[0]['needed']);
        self::assertEqualsWithDelta(2.3, $late[0]['stays'], 0.11);
        self::assertCount(1, $found('goes', 2));
    }

    public function testAnIconStaysWithItsWordToo(): void
    {
        $story = (new SetLayer('s0', 'i', LayerKind::Icon, ['comes' => ['word' => 6]]))->apply(self::story([]));
        $more = (new SetScript('s0', 'Twice a day, ' . self::SCRIPT))->apply($story);
        self::assertSame(['word' => 9], $more->slides[0]->layer('i')?->toArray()['comes'] ?? null);
    }

    public function testLettersThatAreSmallInTheirLineAreSetLarger(): void
    {
        $size = static fn(string $face): float => self::planned(['face' => $face, 'size' => 'medium'])->block->lines[0]->size;
        self::assertSame([42.0, 50.0, 48.0], [$size('plain'), $size('hand'), $size('solemn')]);
    }

    /** A veil of a bright colour would lie over the picture like fog. */
    public function testABrightPlateIsNearlySolid(): void
    {
        $plate = static fn(string $ink): Plate => self::planned(['colour' => $ink, 'backing' => 'plate'])->block->plates[0];
        self::assertGreaterThanOrEqual(0.88, $plate('#20242b')->opacity);
        self::assertContains($plate('#20242b')->colour, ['#FFFFFF']);
    }

    public function testAFaceHasItsOwnWeights(): void
    {
        self::assertSame(Weight::Bold, (new Type(Face::Loud, Weight::Bold))->weight);
        self::assertSame(Weight::Semibold, (new Type(Face::Hand, Weight::Bold))->weight, 'what it lacks is its usual one');
        self::assertSame(['typed-regular', 'typed', 'hand'], [
            (new Type(Face::Typed, Weight::Regular))->key(), (new Type(Face::Typed))->key(), (new Type(Face::Hand))->key(),
        ]);
        $line = self::planned(['face' => 'loud', 'weight' => 'bold'])->block->lines[0];
        self::assertSame([Face::Loud, Weight::Bold], [$line->type->face, $line->type->weight]);
    }

    /** @param array<string, mixed> $wrong */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsRefused(array $wrong): void
    {
        $this->expectException(Malformed::class);
        WordsLayer::read('w', Fields::of($wrong));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield 'beyond the slide' => [['at' => ['x' => 1.2, 'y' => 0.5]]];
        yield 'half a point' => [['target' => ['x' => 0.2]]];
        yield 'too narrow' => [['width' => 0.1]];
        yield 'a word before the first' => [['comes' => ['word' => -1]]];
        yield 'a moment of two kinds' => [['comes' => ['second' => 2]]];
        yield 'another way to come' => [['entrance' => 'spin']];
        yield 'another align' => [['align' => 'justify']];
        yield 'a second far off' => [['goes' => 601]];
    }

    public function testWhatIsLeftOutIsAsItWas(): void
    {
        $plain = new WordsLayer('w', WordsRole::Caption, 'One');
        self::assertSame(['id', 'kind', 'role', 'text', 'place', 'comes', 'goes'], array_keys($plain->toArray()));
        $told = new WordsLayer('w', WordsRole::Label, 'One', null, own: new OwnPlace(new Point(0.2, 0.3), 0.5, Align::Right), target: new Point(0.1, 0.9), isSpoken: true);
        self::assertEquals($told, WordsLayer::read('w', Fields::of($told->toArray())));
    }
}
