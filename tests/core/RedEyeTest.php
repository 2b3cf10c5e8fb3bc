<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\MarkEyes;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\RedEye;
use Rhapsode\Core\Story\Story;

/** The red of a flash is taken out of a pupil, and out of nothing else. tests/golden/red-eyes.json holds the page to the same pixels. */
final class RedEyeTest extends TestCase
{
    private const FILE = __DIR__ . '/../golden/red-eyes.json';
    private const SIDE = 21;

    /** @param \Closure(int, int): array{int, int, int} $colour */
    private static function patch(\Closure $colour, int $width = self::SIDE, int $height = self::SIDE): string
    {
        $pixels = '';
        for ($y = 0; $y < $height; ++$y) {
            for ($x = 0; $x < $width; ++$x) {
                $pixels .= pack('C3', ...$colour($x, $y));
            }
        }

        return $pixels;
    }

    /** @return list<array{string, string, int, int}> name, pixels, width and height */
    private static function patches(): array
    {
        $skin = static fn(int $x, int $y): array => [200 - $x, 150 + $y % 5, 125];
        $eye = static fn(int $x, int $y): array => match (true) {
            hypot($x - 11, $y - 9) < 1.5 => [240, 235, 235],
            hypot($x - 10, $y - 10) < 5 => [205 + ($x + $y) % 9, 40 + $x, 38],
            hypot($x - 10, $y - 10) < 8 => [90, 70, 60],
            default => $skin($x, $y),
        };

        return [
            ['a pupil with a glint', self::patch($eye), self::SIDE, self::SIDE],
            [
                'an eye that is not red',
                self::patch(static fn(int $x, int $y): array => hypot($x - 10, $y - 10) < 5 ? [30, 28, 26] : $skin($x, $y)),
                self::SIDE,
                self::SIDE,
            ],
            ['a red coat', self::patch(static fn(int $x, int $y): array => [190 + $x % 3, 35, 40]), self::SIDE, self::SIDE],
            [
                'a mark that is not square, at the edge of a red thing',
                self::patch(static fn(int $x, int $y): array => $x < 8 && $y > 2 && $y < 9 ? [180, 30, 30] : [90, 100, 110], 17, 12),
                17,
                12,
            ],
            ['one pixel', self::patch(static fn(): array => [255, 0, 0], 1, 1), 1, 1],
        ];
    }

    public function testThePixelsAreThoseThatThePageIsHeldTo(): void
    {
        $now = array_map(static fn(array $patch): array => [
            'name' => $patch[0], 'width' => $patch[2], 'height' => $patch[3],
            'before' => bin2hex($patch[1]), 'after' => bin2hex(RedEye::mended($patch[1], $patch[2], $patch[3])),
        ], self::patches());
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents(self::FILE, json_encode($now, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT) . "\n");
        }
        self::assertSame(json_decode((string) file_get_contents(self::FILE), true), $now);
    }

    public function testThePupilLosesItsRedAndNothingElseIsTouched(): void
    {
        [[, $before, $width]] = self::patches();
        $after = RedEye::mended($before, $width, $width);
        $at = static fn(string $pixels, int $x, int $y): array => array_values(unpack('C3', $pixels, 3 * ($y * $width + $x)) ?: []);

        self::assertLessThan(60, $at($after, 8, 11)[0], 'the pupil is dark');
        self::assertSame(\array_slice($at($before, 8, 11), 1), \array_slice($at($after, 8, 11), 1), 'its green and blue are as they were');
        self::assertEqualsWithDelta($at($before, 11, 9), $at($after, 11, 9), 3, 'the glint stays');
        self::assertSame($at($before, 1, 1), $at($after, 1, 1), 'and so does the skin');
    }

    public function testWhatIsNoRedEyeStaysAsItIs(): void
    {
        foreach (\array_slice(self::patches(), 1, 2) as [$name, $pixels, $width, $height]) {
            self::assertSame($pixels, RedEye::mended($pixels, $width, $height), $name);
        }
    }

    /** In a face the eyes lie a third in from either side; marked twice, they are marked once. */
    public function testTheEyesOfFacesAreMarkedOnceAndWithinTheLimit(): void
    {
        $marked = static fn(Frame ...$faces): Story => (new MarkEyes(['s0']))->apply(
            Stories::of([[]])->withAsset(new Picture('p', 'p.jpg', 1600, 800, matters: Stories::matters(...$faces))),
        );
        $story = $marked(new Frame(0.5, 0.2, 0.2, 0.4));
        $eyes = $story->slides[0]->picture()->recipe->eyes ?? [];

        self::assertEqualsWithDelta([0.564, 0.32], [$eyes[0]->x + $eyes[0]->width / 2, $eyes[0]->y + $eyes[0]->height / 2], 1e-6);
        self::assertEqualsWithDelta(0.636, $eyes[1]->x + $eyes[1]->width / 2, 1e-6);
        self::assertEqualsWithDelta([0.04, 0.08], [$eyes[0]->width, $eyes[0]->height], 1e-6, 'as high as it is broad, in pixels');
        self::assertEquals($story, (new MarkEyes(['s0']))->apply($story));
        $many = $marked(...array_map(static fn(int $i): Frame => new Frame($i / 20, 0.2, 0.05, 0.1), range(0, 18)));
        self::assertCount(20, $many->slides[0]->picture()->recipe->eyes ?? []);
        self::assertSame([], $marked()->slides[0]->picture()->recipe->eyes ?? []);
    }

    public function testARecipeTellsWhereTheyAre(): void
    {
        $eye = new Frame(0.2, 0.3, 0.05, 0.05);
        $recipe = new Recipe(eyes: [$eye]);

        self::assertEquals($recipe, Recipe::read(Fields::of($recipe->toArray())));
        self::assertFalse($recipe->isPlain());
        self::assertNotSame($recipe->key(), (new Recipe(eyes: [$eye, $eye]))->key());
        self::assertArrayNotHasKey('eyes', (new Recipe())->toArray());
        $this->expectException(Malformed::class);
        Recipe::read(Fields::of(['eyes' => array_fill(0, 21, $eye->toArray())]));
    }
}
