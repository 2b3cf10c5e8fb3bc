<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Placing;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Salience;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** The automatic framing shows what matters, in every shape. */
final class MattersTest extends TestCase
{
    /**
     * Pictures of every shape with faces anywhere, of any size: one, two, a group.
     *
     * @return iterable<string, array{int, int, list<Frame>, Shape}>
     */
    public static function portraits(): iterable
    {
        mt_srand(9);
        foreach ([[4000, 3000], [3000, 4000], [4000, 2250], [2250, 4000], [3000, 3000], [6000, 2000]] as [$w, $h]) {
            for ($n = 0; $n < 12; ++$n) {
                $faces = [];
                for ($k = 1 + $n % 4; $k > 0; --$k) {
                    $size = mt_rand(4, 22) / 100 * min($w, $h);
                    $faces[] = new Frame(
                        mt_rand(0, 1000) / 1000 * (1 - $size / $w),
                        mt_rand(0, 1000) / 1000 * (1 - $size / $h),
                        $size / $w,
                        $size / $h,
                    );
                }
                foreach (Shape::cases() as $shape) {
                    yield "{$w}x{$h} {$n} {$shape->value}" => [$w, $h, $faces, $shape];
                }
            }
        }
    }

    /** @param list<Frame> $faces */
    #[DataProvider('portraits')]
    public function testNoHeadIsCutAtAnyMomentWhereThePictureAllowsIt(int $w, int $h, array $faces, Shape $shape): void
    {
        $matters = Stories::matters(...$faces);
        $heads = Placing::heads($matters);
        $move = Framer::move(Fit::Auto, new Framing(), $w / $h, $shape->ratio(), 8.0, 's', null, $matters);
        $hardly = Framer::lostByFilling($w / $h, $shape->ratio()) < 0.04;
        for ($i = 0; $i <= 20; ++$i) {
            $seen = $move->at($i / 20);
            foreach ($heads as $head) {
                // Where filling costs next to nothing a head that touches the picture's own edge may lose a hair.
                $slack = $hardly ? 0.04 : 1e-6;
                self::assertGreaterThanOrEqual($seen->x - $slack, $head->x);
                self::assertGreaterThanOrEqual($seen->y - $slack, $head->y);
                self::assertLessThanOrEqual($seen->x + $seen->width + $slack, $head->x + $head->width);
                self::assertLessThanOrEqual($seen->y + $seen->height + $slack, $head->y + $head->height);
            }
        }
        self::assertTrue(Comfort::of($move, 8.0)->isCalm());
    }

    /** @param list<Frame> $faces */
    #[DataProvider('portraits')]
    public function testFilledItShowsWholeHeadsOrNone(int $w, int $h, array $faces, Shape $shape): void
    {
        $matters = Stories::matters(...$faces);
        $base = Framer::base($w / $h, $shape->ratio(), $matters);
        $heads = Placing::heads($matters);
        $isWhole = static fn(Frame $head): bool => $head->x >= $base->x - 1e-6 && $head->y >= $base->y - 1e-6
            && $head->x + $head->width <= $base->x + $base->width + 1e-6 && $head->y + $head->height <= $base->y + $base->height + 1e-6;
        $usual = Framer::base($w / $h, $shape->ratio());

        self::assertEqualsWithDelta(
            [$usual->width, $usual->height],
            [$base->width, $base->height],
            1e-9,
            'as much is seen as without them',
        );
        self::assertEqualsWithDelta($shape->ratio(), $base->width * $w / ($base->height * $h), 1e-6);
        // Each alone fits, so that at least one is whole.
        $fits = array_filter($heads, static fn(Frame $head): bool => $head->width <= $base->width && $head->height <= $base->height);
        self::assertTrue([] === $fits || [] !== array_filter($heads, $isWhole));
    }

    public function testTheMoveEndsOnTheFaceAndBeginsThereWhereTheNextSlideGoesOn(): void
    {
        $matters = Stories::matters(new Frame(0.7, 0.3, 0.1, 0.15));
        $move = Framer::move(Fit::Fill, new Framing(), 16 / 9, Shape::Wide->ratio(), 8.0, 's', null, $matters);
        $other = Framer::move(Fit::Fill, new Framing(), 16 / 9, Shape::Wide->ratio(), 8.0, 's', null, $matters, true);

        self::assertLessThan($move->opensOn->width, $move->closesOn->width);
        self::assertGreaterThan(0.5, $move->closesOn->x + $move->closesOn->width / 2, 'nearer to the face');
        self::assertEquals([$move->opensOn, $move->closesOn], [$other->closesOn, $other->opensOn]);
    }

    /** @return iterable<string, array{Frame, string|null, float, float}> a face, where the words were told to stand, and between what shares of the height they stand */
    public static function captions(): iterable
    {
        yield 'nobody is there' => [new Frame(0.4, 0.1, 0.1, 0.1), null, 0.7, 1.0];
        yield 'a face where they would stand' => [new Frame(0.45, 0.8, 0.12, 0.15), null, 0.0, 0.3];
        yield 'from top to bottom: where least of it is covered' => [new Frame(0.3, 0.37, 0.4, 0.63), null, 0.0, 0.3];
        yield 'what is told is done' => [new Frame(0.45, 0.8, 0.12, 0.15), 'bottom', 0.7, 1.0];
    }

    #[DataProvider('captions')]
    public function testWordsChooseAPlaceThatCoversNoFace(Frame $face, ?string $place, float $from, float $to): void
    {
        $story = Stories::of([['fit' => Fit::Fill, 'framing' => new Framing(Motion::Still), 'voice' => 4.0, 'script' => 'Here we are.']]);
        $story = $story->withAsset(new Picture('p', 'p.jpg', 1600, 900, matters: Stories::matters($face)));
        $told = ['role' => 'caption', 'text' => 'Who comes there?'] + (null === $place ? [] : ['place' => $place]);
        $story = (new SetLayer('s0', 'caption', LayerKind::Words, $told))->apply($story);
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $area = $plan->scenes[0]->words()[0]->block->area();

        self::assertGreaterThanOrEqual($from, $area->y);
        self::assertLessThanOrEqual($to, $area->y + $area->height);
        self::assertSame($from > 0.5, $plan->cues[0]->high, 'and what is said stands where the words do not');
    }

    /** Shown whole, an upright picture takes 81 of 256 of a wide slide: what lies at its side is under the middle of the words. */
    public function testWordsKeepOffAFaceInAPictureThatIsShownWhole(): void
    {
        $places = [];
        foreach ([0.1, 0.8] as $y) {
            $story = Stories::of([['fit' => Fit::Whole]])->withAsset(
                new Picture('p', 'p.jpg', 900, 1600, matters: Stories::matters(new Frame(0.2, $y, 0.5, 0.15))),
            );
            $story = (new SetLayer('s0', 'caption', LayerKind::Words, ['role' => 'caption', 'text' => 'Who comes there?']))->apply($story);
            $scene = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0];
            [$head] = $scene->picture()->heads ?? [Frame::all()];
            self::assertGreaterThan(0.34, $head->x);
            self::assertLessThan(0.66, $head->x + $head->width);
            $places[] = $scene->words()[0]->place;
        }

        self::assertSame([Spot::Bottom, Spot::Top], $places);
    }

    public function testWhereNothingIsKnownItIsFramedAsItAlwaysWas(): void
    {
        foreach (Shape::cases() as $shape) {
            $before = Framer::move(Fit::Auto, new Framing(), 4 / 3, $shape->ratio(), 6.0, 'a');
            self::assertEquals($before, Framer::move(Fit::Auto, new Framing(), 4 / 3, $shape->ratio(), 6.0, 'a', null, null, true));
        }
    }

    /** @return iterable<string, array{float, float}> where a bright disc lies on a plain ground with a little grain */
    public static function discs(): iterable
    {
        foreach ([0.15, 0.3, 0.5, 0.7, 0.85] as $x) {
            foreach ([0.25, 0.5, 0.75] as $y) {
                yield "{$x}, {$y}" => [$x, $y];
            }
        }
    }

    #[DataProvider('discs')]
    public function testWhatStandsOutIsKeptInNarrowShapes(float $x, float $y): void
    {
        mt_srand(4);
        $grey = '';
        for ($i = 0; $i < Salience::SIDE ** 2; ++$i) {
            [$px, $py] = [($i % Salience::SIDE + 0.5) / Salience::SIDE, (intdiv($i, Salience::SIDE) + 0.5) / Salience::SIDE];
            $isDisc = hypot($px - $x, $py - $y) < 0.06;
            $grey .= \chr(90 + mt_rand(0, 6) + ($isDisc ? 120 * (intdiv($i, 2) % 2) : 0));
        }
        $matters = new Matters([], ...Salience::of($grey, Salience::SIDE, Salience::SIDE));
        foreach ([
            [16 / 9, Shape::Upright],
            [16 / 9, Shape::Square],
            [4 / 3, Shape::Upright],
            [9 / 16, Shape::Square],
        ] as [$ratio, $shape]) {
            $base = Framer::base($ratio, $shape->ratio(), $matters);
            self::assertGreaterThanOrEqual($base->x, $x);
            self::assertLessThanOrEqual($base->x + $base->width, $x);
            self::assertGreaterThanOrEqual($base->y, $y);
            self::assertLessThanOrEqual($base->y + $base->height, $y);
        }
    }

    /** The impulse of the transform is flat, and there and back it is itself: a map of one bright point stands out just there. */
    public function testOnePointStandsOutWhereItIs(): void
    {
        $isPoint = static fn(int $i): bool => 14 === $i % Salience::SIDE && 42 === intdiv($i, Salience::SIDE);
        $grey = implode('', array_map(static fn(int $i): string => $isPoint($i) ? "\xC8" : "\x14", range(0, Salience::SIDE ** 2 - 1)));
        [$across, $down] = Salience::of($grey, Salience::SIDE, Salience::SIDE);
        self::assertSame([3, 10], [array_search(15, $across, true), array_search(15, $down, true)]);
        self::assertSame(Matters::PARTS, \count($across));
    }

    public function testItTurnsAndIsCroppedWithThePicture(): void
    {
        $across = range(0, 15);
        $matters = new Matters([new Frame(0.1, 0.2, 0.2, 0.1)], $across, array_fill(0, 16, 7));
        $picture = new Picture('p', 'p.jpg', 400, 300, matters: $matters);
        $turned = (new Recipe(90))->matters($picture);

        self::assertEqualsWithDelta([0.7, 0.1, 0.1, 0.2], array_values($turned?->faces[0]->toArray() ?? []), 1e-6);
        self::assertSame([array_fill(0, 16, 7), $across], [$turned?->across, $turned?->down]);
        self::assertEquals($matters->toArray(), $matters->turned(1)->turned(3)->toArray());
        self::assertEquals($matters->toArray(), $matters->turned(2)->turned(-2)->toArray());
        $cropped = (new Recipe(crop: new Frame(0.5, 0.0, 0.5, 1.0)))->matters($picture);
        self::assertSame([[], 8, 15], [$cropped?->faces, $cropped?->across[0], $cropped?->across[15]]);
        self::assertNull((new Recipe(90))->matters(new Picture('p', 'p.jpg', 400, 300)));
    }

    public function testItIsReadAsItIsWritten(): void
    {
        $matters = Stories::matters(new Frame(0.1, 0.2, 0.3, 0.4));
        self::assertEquals($matters, Matters::read(Fields::of($matters->toArray())));
        $this->expectException(Malformed::class);
        Matters::read(Fields::of(['faces' => [], 'across' => 'abc', 'down' => str_repeat('0', 16)]));
    }
}
