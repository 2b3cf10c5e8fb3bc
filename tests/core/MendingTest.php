<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Look;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Picture\Tone;

/**
 * tests/golden/tones.json: what becomes of colours by core's own arithmetic. The page does the same and is held to the same file
 * (tests/web/tables.test.ts). Written anew with RHAPSODE_GOLDEN=write.
 */
final class MendingTest extends TestCase
{
    private const FILE = __DIR__ . '/../golden/tones.json';
    private const STEPS = [0, 21, 64, 118, 127, 128, 170, 213, 254, 255];

    /** @return iterable<string, array{Tone, Levels|null}> */
    public static function tones(): iterable
    {
        yield 'nothing' => [new Tone(), null];
        yield 'clear' => [new Tone(clear: true), new Levels([40, 30, 50], [200, 190, 160], 74)];
        yield 'clear, of a good picture' => [new Tone(clear: true), new Levels([3, 0, 9], [250, 255, 246], 120)];
        yield 'light' => [new Tone(light: 60, contrast: -30, warmth: 45), null];
        yield 'dark and strong' => [new Tone(light: -80, contrast: 70, warmth: -100, colour: 100), null];
        yield 'without colour' => [new Tone(colour: -100), null];
        foreach (Look::cases() as $i => $look) {
            yield $look->value => [new Tone(contrast: 4 * $i, colour: 10 - 5 * $i, look: $look, strength: 100 - 9 * $i), null];
        }
    }

    public function testTheArithmeticIsWhatIsWrittenDown(): void
    {
        $written = [];
        foreach (self::tones() as $name => [$tone, $levels]) {
            $tables = ColourTables::of($tone, $levels);
            $colours = [];
            foreach (self::STEPS as $red) {
                foreach ([0, 90, 200, 255] as $green) {
                    $blue = ($red * 3 + $green) % 256;
                    $colours[] = [[$red, $green, $blue], $tables->exact($red, $green, $blue)];
                }
            }
            $written[] = ['name' => $name, 'tone' => (object) $tone->toArray(), 'levels' => $levels?->toArray(), 'colours' => $colours];
        }
        $inside = [];
        foreach ([[1.5, 4.0], [0.75, -15.0], [1.0, 0.1], [1.7778, 12.3]] as [$ratio, $degrees]) {
            $inside[] = [$ratio, $degrees, round((new Recipe(0, $degrees))->inside($ratio), 9)];
        }
        $json = json_encode(['tones' => $written, 'inside' => $inside], \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION) . "\n";
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents(self::FILE, $json);
        }
        self::assertStringEqualsFile(self::FILE, $json);
    }

    public function testNothingAskedForChangesNothing(): void
    {
        self::assertTrue(ColourTables::of(new Tone())->isPlain());
        self::assertTrue((new Recipe())->isPlain());
        self::assertSame('', (new Recipe())->key());
        self::assertSame([17, 130, 255], ColourTables::of(new Tone(look: Look::Dusk, strength: 0))->exact(17, 130, 255));
    }

    /** Luma by ITU-R BT.709: without colour, a colour is as grey as it is light. */
    public function testWithoutColourAColourIsAsGreyAsItIsLight(): void
    {
        $tables = ColourTables::of(new Tone(colour: -100));
        foreach ([[255, 0, 0, 54], [0, 255, 0, 182], [0, 0, 255, 18], [200, 100, 50, 118]] as [$red, $green, $blue, $grey]) {
            self::assertSame([$grey, $grey, $grey], $tables->exact($red, $green, $blue));
        }
    }

    public function testBlackAndWhiteIsWithoutColour(): void
    {
        foreach ([Look::Ink, Look::Pencil] as $look) {
            [$red, $green, $blue] = ColourTables::of(new Tone(warmth: 0, look: $look))->exact(200, 40, 90);
            self::assertSame([$red, $red], [$green, $blue]);
        }
    }

    /** @return iterable<string, array{Levels, string}> */
    public static function pictures(): iterable
    {
        yield 'good' => [new Levels([4, 2, 9], [252, 249, 241], 118), 'as it is'];
        yield 'dark' => [new Levels([0, 0, 2], [130, 122, 118], 31), 'lighter'];
        yield 'hazy' => [new Levels([92, 96, 101], [196, 198, 203], 150), 'wider'];
        yield 'of night, with lamps' => [new Levels([0, 0, 0], [255, 255, 250], 12), 'lighter'];
        yield 'pale' => [new Levels([10, 9, 12], [255, 255, 255], 214), 'darker'];
    }

    #[DataProvider('pictures')]
    public function testMadeClearAPictureThatIsGoodStaysAsItIs(Levels $levels, string $how): void
    {
        $tables = ColourTables::of(new Tone(clear: true), $levels);
        [$dark, $middle, $light] = [
            $tables->exact(60, 60, 60)[1],
            $tables->exact($levels->middle, $levels->middle, $levels->middle)[1],
            $tables->exact(180, 180, 180)[1],
        ];
        match ($how) {
            'as it is' => self::assertTrue($tables->isPlain()),
            'lighter' => self::assertGreaterThan($levels->middle + 8, $middle),
            'darker' => self::assertLessThan($levels->middle - 4, $middle),
            default => self::assertGreaterThan((180 - 60) * 1.4, $light - $dark),
        };
    }

    public function testWhatAPicturesLevelsAre(): void
    {
        $counts = array_fill(0, 256, 0);
        // A thousand pixels from 50 to 199, a bright speck, and its middle at 100.
        for ($i = 0; $i < 10_000; ++$i) {
            ++$counts[$i < 5001 ? 50 + $i % 51 : 100 + $i % 100];
        }
        $counts[255] = 3;
        $levels = Levels::of([$counts, $counts, $counts, $counts]);
        self::assertSame([[50, 50, 50], [199, 199, 199]], [$levels->low, $levels->high]);
        self::assertEqualsWithDelta(100, $levels->middle, 1);
    }

    /** The corners of the box that is kept, turned back, lie within the picture, and no larger box's would. */
    public function testStraightenedNoCornerIsEmpty(): void
    {
        foreach ([1.5, 0.6667, 1.0, 2.4] as $ratio) {
            foreach ([0.5, -3.0, 7.7, 15.0] as $degrees) {
                $share = (new Recipe(0, $degrees))->inside($ratio);
                $out = 0.0;
                foreach ([[1, 1], [1, -1], [-1, 1], [-1, -1]] as [$right, $down]) {
                    [$x, $y, $a] = [$right * $share * $ratio / 2, $down * $share / 2, deg2rad($degrees)];
                    $out = max($out, abs($x * cos($a) + $y * sin($a)) - $ratio / 2, abs(-$x * sin($a) + $y * cos($a)) - 0.5);
                }
                self::assertEqualsWithDelta(0.0, $out, 1e-9, "{$ratio} by {$degrees}");
            }
        }
    }

    public function testACroppedPictureHasAnotherShapeAndSize(): void
    {
        $picture = new Picture('p', 'p.jpg', 4000, 3000);
        $recipe = new Recipe(90, 0.0, new Frame(0.1, 0.2, 0.5, 0.25));
        self::assertEqualsWithDelta(1.5, $recipe->ratio($picture), 1e-9);
        self::assertSame(1500, $recipe->width($picture));
        self::assertEqualsWithDelta(4 / 3, (new Recipe(0, 6.0))->ratio($picture), 1e-9);
        self::assertLessThan(4000, (new Recipe(0, 6.0))->width($picture));
    }

    public function testEachRecipeHasAFileOfItsOwn(): void
    {
        $names = array_map(static fn(Recipe $recipe): string => (new Rendition('p', $recipe))->name(), [
            new Recipe(), new Recipe(90), new Recipe(90, 0.1), new Recipe(0, 0.1), new Recipe(crop: new Frame(0, 0, 0.5, 1)),
            new Recipe(tone: new Tone(light: 1)), new Recipe(tone: new Tone(clear: true)), new Recipe(tone: new Tone(
                look: Look::Tea,
                strength: 50,
            )),
        ]);
        self::assertSame(array_values(array_unique($names)), $names);
        self::assertSame(['full', 'full-t90'], \array_slice($names, 0, 2));
    }

    public function testWrittenAndReadARecipeIsTheSame(): void
    {
        $recipe = new Recipe(270, -3.4, new Frame(0.25, 0, 0.5, 0.5), new Tone(true, 12, -100, 100, 5, Look::Frost, 40));
        self::assertEquals($recipe, Recipe::read(Fields::of(json_decode((string) json_encode($recipe->toArray()), true))));
        self::assertSame(['turn' => 0], Recipe::read(Fields::of(['crop' => ['x' => 0, 'y' => 0, 'width' => 1, 'height' => 1]]))->toArray());
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function impossible(): iterable
    {
        yield 'turned by half a quarter' => [['turn' => 45]];
        yield 'straightened too far' => [['straighten' => 15.2]];
        yield 'cropped outside' => [['crop' => ['x' => 0.6, 'y' => 0, 'width' => 0.5, 'height' => 1]]];
        yield 'too light' => [['light' => 101]];
        yield 'half a step' => [['contrast' => 0.5]];
        yield 'an unknown look' => [['look' => 'sparkle']];
        yield 'a look too strong' => [['look' => 'ink', 'strength' => 101]];
    }

    /** @param array<string, mixed> $recipe */
    #[DataProvider('impossible')]
    public function testWhatCannotBeDoneIsRefused(array $recipe): void
    {
        $this->expectException(Malformed::class);
        Recipe::read(Fields::of($recipe));
    }

    public function testWhatIsNotToldStays(): void
    {
        $story = Stories::of([['stay' => 3.0, 'recipe' => new Recipe(90, 2.0, tone: new Tone(light: 20))], ['stay' => 3.0]]);
        $slides = array_map(static fn($slide): string => $slide->id, $story->slides);
        $story = (new SetLayers($slides, LayerKind::Picture, ['recipe' => ['look' => 'tea', 'light' => 5]]))->apply($story);
        self::assertSame(
            [['turn' => 90, 'straighten' => 2.0, 'light' => 5, 'look' => 'tea'], ['turn' => 0, 'light' => 5, 'look' => 'tea']],
            array_map(static fn($slide): ?array => $slide->picture()?->recipe->toArray(), $story->slides),
        );
        $story = (new SetLayers(
            $slides,
            LayerKind::Picture,
            ['recipe' => ['look' => null, 'light' => 0, 'straighten' => 0]],
        ))->apply($story);
        self::assertSame(['t90', ''], array_map(static fn($slide): ?string => $slide->picture()?->recipe->key(), $story->slides));
    }
}
