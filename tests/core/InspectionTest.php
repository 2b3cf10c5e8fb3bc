<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Edit\TurnUpright;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\Inspection;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Black borders and pictures in which nothing is sharp are found, and only they. */
final class InspectionTest extends TestCase
{
    private const WIDTH = 160;
    private const HEIGHT = 120;

    /** @param \Closure(int, int): int $light */
    private static function grey(\Closure $light): string
    {
        $grey = '';
        for ($y = 0; $y < self::HEIGHT; ++$y) {
            for ($x = 0; $x < self::WIDTH; ++$x) {
                $grey .= \chr(max(0, min(255, $light($x, $y))));
            }
        }

        return $grey;
    }

    private static function inside(\Closure $light): ?Frame
    {
        return Inspection::of(self::grey($light), self::WIDTH, self::HEIGHT)->unbordered;
    }

    /** @return iterable<string, array{int, int, int, int}> left, top, right and bottom, in pixels */
    public static function borders(): iterable
    {
        yield 'above and below' => [0, 15, 0, 15];
        yield 'beside' => [24, 0, 24, 0];
        yield 'all around' => [10, 12, 14, 16];
        yield 'on one side, as a scanner leaves it' => [0, 0, 9, 0];
    }

    #[DataProvider('borders')]
    public function testBlackBordersAreFoundWhateverTheirGrain(int $left, int $top, int $right, int $bottom): void
    {
        mt_srand(3);
        $inside = self::inside(static fn(
            int $x,
            int $y,
        ): int => $x < $left || $y < $top || $x >= self::WIDTH - $right || $y >= self::HEIGHT - $bottom
            ? mt_rand(2, 18)
            : 90 + 60 * (intdiv($x, 7) % 2) + mt_rand(0, 9));

        self::assertNotNull($inside);
        self::assertEqualsWithDelta($left / self::WIDTH, $inside->x, 1.5 / self::WIDTH);
        self::assertEqualsWithDelta($top / self::HEIGHT, $inside->y, 1.5 / self::HEIGHT);
        self::assertEqualsWithDelta(1 - ($left + $right) / self::WIDTH, $inside->width, 2.5 / self::WIDTH);
        self::assertEqualsWithDelta(1 - ($top + $bottom) / self::HEIGHT, $inside->height, 2.5 / self::HEIGHT);
    }

    public function testWhatIsDarkByItselfHasNoBorder(): void
    {
        $texture = static fn(int $x, int $y): int => 24 * (($x * 7 + $y * 13) % 3);
        self::assertNull(self::inside(static fn(int $x, int $y): int => 6), 'a black picture');
        self::assertNull(self::inside(static fn(int $x, int $y): int => intdiv(255 * $y, self::HEIGHT)), 'a night sky that grows light');
        self::assertNull(self::inside(static fn(int $x, int $y): int => 120 + $texture($x, $y)), 'a day');
        self::assertNull(
            self::inside(static fn(int $x, int $y): int => $y < 40 && $x > 70 && $x < 90 ? 200 : ($y < 60 ? 8 : 140)),
            'a moon in a black sky',
        );
        self::assertNull(
            self::inside(static fn(int $x, int $y): int => $y < 50 || $y > 90 ? 4 : 180),
            'so little would be left that it is no border',
        );
        self::assertNull(Inspection::of(str_repeat("\0", 64), 8, 8)->unbordered, 'too small to tell');
    }

    public function testAPictureIsSoftWhereNothingInItIsSharp(): void
    {
        $isSoft = static fn(\Closure $light): bool => Inspection::of(self::grey($light), self::WIDTH, self::HEIGHT)->isSoft;

        self::assertTrue($isSoft(static fn(int $x, int $y): int => (int) (128 + 90 * sin($x / 12) * cos($y / 15))));
        self::assertFalse($isSoft(static fn(int $x, int $y): int => (int) (128 + 90 * sin($x / 12)) + (($x + $y) % 2) * 30));
        self::assertFalse(
            $isSoft(static fn(int $x, int $y): int => $x > 70 && $x < 90 ? 30 + 60 * ($y % 2) : 128),
            'a sharp thing before a soft ground is sharp',
        );
    }

    public function testProofSaysItUntilItIsMended(): void
    {
        $rules = static fn(Story $story): array => array_map(
            static fn(Finding $f): string => $f->rule,
            Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)),
        );
        $picture = new Picture('p', 'p.jpg', 1600, 900, unbordered: new Frame(0.1, 0.1, 0.8, 0.8), soft: true);
        $story = Stories::of([[]])->withAsset($picture);

        self::assertContains('black-borders', $rules($story));
        self::assertContains('soft-picture', $rules($story));
        self::assertNotContains(
            'black-borders',
            $rules(Stories::of([['recipe' => new Recipe(crop: $picture->unbordered)]])->withAsset($picture)),
        );
        self::assertSame([], array_intersect(['black-borders', 'soft-picture', 'sideways-picture'], $rules(Stories::of([[]]))));
        $sideways = new Picture('p', 'p.jpg', 1600, 900, sideways: 270);
        self::assertContains('sideways-picture', $rules(Stories::of([[]])->withAsset($sideways)));
        self::assertNotContains('sideways-picture', $rules(Stories::of([['recipe' => new Recipe(270)]])->withAsset($sideways)));
    }

    /** What was cropped turns with it; one that was turned already is left alone. */
    public function testWhatLiesOnItsSideIsTurnedUpright(): void
    {
        $crop = new Frame(0.0, 0.0, 0.5, 0.25);
        $story = Stories::of([['recipe' => new Recipe(crop: $crop)], ['recipe' => new Recipe(180)]])
            ->withAsset(new Picture('p', 'p.jpg', 1600, 900, sideways: 270));
        [$first, $second] = (new TurnUpright(['s0', 's1']))->apply($story)->slides;

        self::assertSame([270, 180], [$first->picture()?->recipe->turn, $second->picture()?->recipe->turn]);
        self::assertEquals($crop->turned(3), $first->picture()?->recipe->crop);
        self::assertEquals(Stories::of([[]]), (new TurnUpright(['s0']))->apply(Stories::of([[]])), 'what lies upright stays');
    }
}
