<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Captions\WordTimes;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Edit\SetScript;
use Rhapsode\Core\Edit\SetTrim;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** The look comes to what is talked about, when it is talked about. */
final class StopsTest extends TestCase
{
    private const SCRIPT = 'Here is the mill. And there, on the other side, the old wheel turns.';

    /** @param list<Stop> $stops */
    private static function framing(array $stops, ?Frame $closesOn = null): Framing
    {
        return new Framing(Motion::Set, Frame::all(), $closesOn ?? Frame::all(), $stops);
    }

    /** @param array<string, mixed> $changes */
    private static function story(Framing $framing, array $changes = []): Story
    {
        return Stories::of([['stay' => 3.0], ['framing' => $framing, 'script' => self::SCRIPT, 'voice' => 12.0, ...$changes]]);
    }

    private static function picture(Story $story): PlannedPicture
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[1]->picture() ?? self::fail('it shows a picture');
    }

    /** What is seen so many seconds after the slide begins. */
    private static function seen(Story $story, float $seconds): Frame
    {
        $scene = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[1];

        return self::picture($story)->move->at($scene->progress($scene->start + (int) round($seconds * Rate::FPS)));
    }

    private static function assertSees(Frame $frame, Frame $seen, string $message = ''): void
    {
        self::assertEqualsWithDelta(array_values($frame->toArray()), array_values($seen->toArray()), 0.005, $message);
    }

    public function testTheLookIsThereAsTheWordIsSaid(): void
    {
        $wheel = new Frame(0.6, 0.5, 0.3, 0.3);
        $story = self::story(self::framing([Stop::atWord($wheel, 12)]));
        $times = WordTimes::of(Pacing::of($story)[1], $story);

        self::assertSame('wheel', trim($times->units[12]->text));
        self::assertSees($wheel, self::seen($story, $times->starts()[12]));
        self::assertNotEquals($wheel->toArray(), self::seen($story, $times->starts()[12] - 0.5)->toArray(), 'and not long before');
    }

    public function testASecondIsCountedFromTheVoicesBeginning(): void
    {
        $mill = new Frame(0.1, 0.1, 0.5, 0.5);
        $story = self::story(self::framing([Stop::atSecond($mill, 4.0)]));
        // One second of transition, half a second of breath.
        self::assertSees($mill, self::seen($story, 5.5));
    }

    public function testInASilentSlideItIsCountedFromWhenItIsSeenAlone(): void
    {
        $mill = new Frame(0.1, 0.1, 0.5, 0.5);
        $story = Stories::of(
            [['stay' => 3.0], ['stay' => 10.0, 'script' => self::SCRIPT, 'framing' => self::framing([Stop::atSecond($mill, 4.0)])]],
        );
        self::assertSees($mill, self::seen($story, 5.0));
        $byWord = Stories::of(
            [['stay' => 3.0], ['stay' => 10.0, 'script' => self::SCRIPT, 'framing' => self::framing([Stop::atWord($mill, 0)])]],
        );
        self::assertSees($mill, self::seen($byWord, 1.0), 'its first word is shared out to the same moment');
    }

    public function testItRestsWhereThereIsTimeAndNeverHurriesWhereThereIs(): void
    {
        $near = new Frame(0.45, 0.45, 0.5, 0.5);
        $story = self::story(
            self::framing([Stop::atSecond(new Frame(0.4, 0.4, 0.5, 0.5), 20.0), Stop::atSecond($near, 40.0)], $near),
            ['voice' => 60.0],
        );
        $move = self::picture($story)->move;
        $seconds = Rate::seconds(60 * Rate::FPS + 2 * 15 + 30);

        self::assertTrue(Comfort::of($move, $seconds)->isCalm());
        self::assertSees(new Frame(0.4, 0.4, 0.5, 0.5), self::seen($story, 23.0));
        self::assertSees(new Frame(0.4, 0.4, 0.5, 0.5), self::seen($story, 38.0), 'it rests until it must leave');
        self::assertSees($near, self::seen($story, 41.5));
    }

    public function testWhereThereIsNoTimeItTakesAllThereIsAndProofSaysSo(): void
    {
        $story = self::story(
            self::framing([Stop::atSecond(new Frame(0, 0, 0.2, 0.2), 4.0), Stop::atSecond(new Frame(0.8, 0.8, 0.2, 0.2), 5.0)]),
        );

        self::assertFalse(Comfort::of(self::picture($story)->move, 15.0)->isCalm());
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        self::assertContains('fast-move', array_map(static fn(Finding $finding): string => $finding->rule, Proof::read($story, $plan)));
    }

    /** @return iterable<int, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield [$seed];
        }
    }

    /** Any stops, at any moments, in any order: the look stays within the picture, in order of time, and begins and ends where it was said. */
    #[DataProvider('seeds')]
    public function testAnyStopsGiveAWay(int $seed): void
    {
        mt_srand($seed);
        $stops = [];
        for ($i = mt_rand(1, 6); $i > 0; --$i) {
            $frame = Frame::about(mt_rand(0, 100) / 100, mt_rand(0, 100) / 100, mt_rand(5, 100) / 100, mt_rand(5, 100) / 100);
            $stops[] = 0 === mt_rand(0, 1) ? Stop::atWord($frame, mt_rand(0, 60)) : Stop::atSecond($frame, mt_rand(0, 300) / 10);
        }
        $opens = new Frame(0.2, 0.2, 0.5, 0.5);
        $move = self::picture(self::story(new Framing(Motion::Set, $opens, Frame::all(), $stops)))->move;
        $shares = array_column($move->points, 0);
        $sorted = $shares;
        sort($sorted);

        self::assertSame($sorted, $shares);
        self::assertSame([0.0, 1.0], [$shares[0], $shares[\count($shares) - 1]]);
        for ($i = 0; $i <= 200; ++$i) {
            // A frame that left the picture would be refused.
            $frame = $move->at($i / 200);
            self::assertEqualsWithDelta($frame->width, $frame->height, 1e-6, 'in the shape of the film, which is that of the picture');
        }
        self::assertTrue($move->at(0.0)->equals($opens) || 0.0 === $shares[1], 'it opens where it was told, or is already at a stop');
        self::assertSees(Frame::all(), $move->at(1.0));
    }

    public function testAStopTiedToAWordStaysWithItAsTheScriptIsRewritten(): void
    {
        $frame = new Frame(0.6, 0.5, 0.3, 0.3);
        $story = self::story(self::framing([Stop::atWord($frame, 12), Stop::atWord($frame, 1), Stop::atSecond($frame, 2.0)]));
        $words = static fn(Story $story): array => array_map(
            static fn(Stop $stop): int|float => $stop->word ?? $stop->at,
            $story->slides[1]->picture()->framing->stops ?? [],
        );
        $says = static fn(string $script): array => $words((new SetScript('s1', $script))->apply($story));

        self::assertSame([14, 1, 2.0], $says('Here is the mill. And far, far away, on the other side, the old wheel turns.'));
        self::assertSame([8, 1, 2.0], $says('Here is the mill. And there the old wheel turns.'));
        self::assertSame([13, 2, 2.0], $says('So ' . self::SCRIPT));
        self::assertSame([12, 1, 2.0], $says(str_replace('wheel', 'wheels', self::SCRIPT)), 'a word that is mended is the same word');
        self::assertSame([0, 0, 2.0], $says(''));
        self::assertSame([12, 1, 2.0], $says(self::SCRIPT));
    }

    public function testAStopStaysWithWhatIsSaidAsTheSilenceBeforeIsLeftOut(): void
    {
        $mill = new Frame(0.1, 0.1, 0.5, 0.5);
        $trimmed = self::story(self::framing([Stop::atSecond($mill, 4.0)]));
        $long = (new SetTrim('s1', false))->apply($trimmed);

        self::assertSame(5.0, $long->slides[1]->picture()?->framing->stops[0]->at, 'a second of silence lies before it now');
        self::assertSees($mill, self::seen($long, 6.5));
        self::assertEquals($trimmed->slides[1], (new SetTrim('s1', true))->apply($long)->slides[1]);
    }

    public function testTurningAPictureTurnsWhatIsKeptOfItAndWhatTheLookGoesTo(): void
    {
        $frame = new Frame(0.1, 0.2, 0.4, 0.3);
        $story = self::story(self::framing([Stop::atSecond($frame, 4.0)]), ['recipe' => new Recipe(crop: new Frame(0.5, 0.0, 0.5, 0.5))]);
        $set = static fn(
            Story $story,
            mixed $recipe,
        ): Story => (new SetLayers(['s1'], LayerKind::Picture, ['recipe' => $recipe]))->apply($story);
        $turned = $set($story, ['turn' => 90]);
        $layer = $turned->slides[1]->picture();

        self::assertEqualsWithDelta([0.5, 0.5, 0.5, 0.5], array_values($layer?->recipe->crop?->toArray() ?? []), 1e-6);
        self::assertEqualsWithDelta([0.5, 0.1, 0.3, 0.4], array_values($layer?->framing->stops[0]->frame->toArray() ?? []), 1e-6);
        self::assertEquals($story->slides[1], $set($turned, ['turn' => 0])->slides[1], 'there and back');
        $whole = $set($story, ['crop' => null])->slides[1]->picture();
        self::assertEqualsWithDelta(
            [0.55, 0.1, 0.2, 0.15],
            array_values($whole?->framing->stops[0]->frame->toArray() ?? []),
            1e-6,
            'the same part of the picture',
        );
        $told = (new SetLayers(['s1'], LayerKind::Picture, ['recipe' => ['turn' => 90], 'framing' => ['motion' => 'set']]))->apply($story);
        self::assertEqualsWithDelta(
            array_values($frame->toArray()),
            array_values($told->slides[1]->picture()?->framing->stops[0]->frame->toArray() ?? []),
            1e-6,
            'what is told is not guessed',
        );
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function malformed(): iterable
    {
        $frame = ['x' => 0, 'y' => 0, 'width' => 0.5, 'height' => 0.5];
        yield 'no moment' => [['stops' => [['frame' => $frame]]]];
        yield 'two moments' => [['stops' => [['frame' => $frame, 'word' => 1, 'at' => 1.0]]]];
        yield 'before the voice' => [['stops' => [['frame' => $frame, 'at' => -1.0]]]];
        yield 'half a word' => [['stops' => [['frame' => $frame, 'word' => 1.5]]]];
        yield 'no frame' => [['stops' => [['word' => 1]]]];
        yield 'outside' => [['stops' => [['frame' => ['x' => 0.9] + $frame, 'word' => 1]]]];
        yield 'too many' => [['stops' => array_fill(0, 7, ['frame' => $frame, 'word' => 1])]];
        yield 'no list' => [['stops' => ['a' => ['frame' => $frame, 'word' => 1]]]];
    }

    /** @param array<string, mixed> $framing */
    #[DataProvider('malformed')]
    public function testAStopThatIsNoneIsRefused(array $framing): void
    {
        $this->expectException(Malformed::class);
        Framing::read(Fields::of($framing));
    }

    public function testAMoveGoesFromFrameToFrame(): void
    {
        [$a, $b] = [new Frame(0, 0, 0.5, 0.5), new Frame(0.5, 0.5, 0.5, 0.5)];
        $move = Move::along([[0.0, $a], [0.25, $b], [0.5, $b], [1.0, $a]]);

        self::assertFalse($move->isStill());
        self::assertTrue(Move::along([[0.0, $a], [0.5, $a], [1.0, $a]])->isStill());
        self::assertEquals([$a, $b, $b, $a], array_map($move->at(...), [0.0, 0.25, 0.4, 1.0]));
        self::assertEqualsWithDelta(0.25, $move->at(0.125)->x, 1e-6, 'half the time is half the way');
        self::assertEqualsWithDelta([0.0, 0.0, 1.0, 1.0], array_values($move->under(Frame::all())->toArray()), 1e-6);
    }
}
