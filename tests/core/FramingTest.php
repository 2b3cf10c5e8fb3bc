<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Framing\Ease;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

final class FramingTest extends TestCase
{
    /** @return iterable<string, array{int, int, Shape, float, string}> */
    public static function pictures(): iterable
    {
        foreach (Shape::cases() as $shape) {
            foreach ([[2400, 1350], [4000, 3000], [3000, 4000], [900, 2700], [5000, 900], [40, 30]] as [$w, $h]) {
                foreach ([0.5, 4.0, 11.3, 120.0] as $seconds) {
                    foreach (['a', 'b', 'slide-7'] as $id) {
                        yield "{$w}x{$h} {$shape->value} {$seconds}s {$id}" => [$w, $h, $shape, $seconds, $id];
                    }
                }
            }
        }
    }

    #[DataProvider('pictures')]
    public function testAFramingNeverLeavesItsPictureAndKeepsTheFilmsShape(int $w, int $h, Shape $shape, float $seconds, string $id): void
    {
        $move = Framer::move(Fit::Fill, new Framing(), $w / $h, $shape->ratio(), $seconds, $id);
        for ($i = 0; $i <= 40; ++$i) {
            $frame = $move->at($i / 40);
            self::assertGreaterThanOrEqual(-1e-9, min($frame->x, $frame->y));
            self::assertLessThanOrEqual(1 + 1e-9, max($frame->x + $frame->width, $frame->y + $frame->height));
            self::assertEqualsWithDelta($shape->ratio(), $frame->width * $w / ($frame->height * $h), 1e-6, 'the picture is not stretched');
        }
    }

    #[DataProvider('pictures')]
    public function testTheDefaultMoveIsSlow(int $w, int $h, Shape $shape, float $seconds, string $id): void
    {
        $move = Framer::move(Fit::Fill, new Framing(), $w / $h, $shape->ratio(), $seconds, $id);
        $scale = max($move->opensOn->width, $move->closesOn->width) / min($move->opensOn->width, $move->closesOn->width);

        self::assertLessThanOrEqual(0.02 * $seconds + 1e-9, $scale - 1, 'common practice: at most about 2 % of scale a second');
        self::assertLessThanOrEqual(
            0.03 * $seconds + 1e-9,
            abs($move->opensOn->x - $move->closesOn->x) + abs($move->opensOn->y - $move->closesOn->y),
        );
    }

    public function testAnUprightPhotoIsShownWholeAndStill(): void
    {
        self::assertTrue(Framer::isWhole(Fit::Auto, 3 / 4, Shape::Wide->ratio()));
        self::assertTrue(Framer::move(Fit::Auto, new Framing(), 3 / 4, Shape::Wide->ratio(), 6, 's')->isStill());
        self::assertFalse(Framer::isWhole(Fit::Auto, 4 / 3, Shape::Wide->ratio()));
    }

    public function testAStilledSlideDoesNotMove(): void
    {
        self::assertTrue(Framer::move(Fit::Auto, new Framing(Motion::Still), 16 / 9, Shape::Wide->ratio(), 9, 's')->isStill());
    }

    public function testAChosenFramingIsBroughtToTheFilmsShape(): void
    {
        $framing = new Framing(Motion::Set, new Frame(0, 0, 0.5, 0.5), new Frame(0.6, 0.6, 0.4, 0.2));
        $move = Framer::move(Fit::Auto, $framing, 16 / 9, Shape::Wide->ratio(), 5, 's');

        self::assertEqualsWithDelta([0, 0, 0.5, 0.5], array_values($move->opensOn->toArray()), 1e-6);
        self::assertEqualsWithDelta(0.4, $move->closesOn->height, 1e-6);
    }

    public function testAFrameOutsideItsPictureIsRefused(): void
    {
        $this->expectException(Malformed::class);
        new Frame(0.8, 0, 0.3, 0.2);
    }

    public function testTheEaseBeginsAndEndsAtRestAndNeverTurnsBack(): void
    {
        $table = Ease::table();

        self::assertSame([0.0, 1.0], [$table[0], $table[64]]);
        for ($i = 1; $i < Ease::POINTS; ++$i) {
            self::assertGreaterThan($table[$i - 1], $table[$i]);
            self::assertLessThanOrEqual(1.27 / 64, $table[$i] - $table[$i - 1], 'its peak is 1.25 times its mean speed');
        }
        self::assertLessThan(0.2 / 64, $table[1]);
        self::assertEqualsWithDelta(0.5, Ease::at(0.5), 1e-6);
    }

    public function testMovingASlideChangesNoOthersMove(): void
    {
        $opens = static fn(string $id): array => Framer::move(Fit::Auto, new Framing(), 16 / 9, Shape::Wide->ratio(), 5, $id)->opensOn->toArray();
        $before = array_map($opens, ['a', 'b', 'c']);

        self::assertSame(array_reverse($before), array_map($opens, ['c', 'b', 'a']));
        self::assertGreaterThan(
            1,
            \count(array_unique(array_map(serialize(...), array_map($opens, range('a', 'j'))))),
            'and yet not all move alike',
        );
    }
}
