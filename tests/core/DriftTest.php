<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Depth;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\DriftSheet;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\Drift\Strength;
use Rhapsode\Core\Layer\Drift\Veiled;
use Rhapsode\Core\Layer\Drift\Way;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Weather and light: the same wherever it is computed, going on from slide to slide, and never in the way of words. */
final class DriftTest extends TestCase
{
    /**
     * @param array<string, LightMap> $lights
     *
     * @return list<Scene>
     */
    private static function scenes(Story $story, array $lights = []): array
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story, $lights)->scenes;
    }

    /** @return list<PlannedDrift> */
    private static function drifts(Scene $scene): array
    {
        return array_values(array_filter($scene->layers, static fn(PlannedLayer $layer): bool => $layer instanceof PlannedDrift));
    }

    private static function sheet(int $seed, Way $way = Way::Down, Shape $shape = Shape::Wide, DriftKind $kind = DriftKind::Snow): DriftSheet
    {
        return new DriftSheet($shape, $kind, $way, Strength::Some, Depth::Near, $seed);
    }

    public function testTheSameSeedDrawsTheSame(): void
    {
        self::assertSame(self::sheet(7)->svg(1280, 720), self::sheet(7)->svg(1280, 720));
        self::assertNotSame(self::sheet(7)->drawn(), self::sheet(8)->drawn());
        // Drawn on another machine, and by another release of PHP: Mersenne twister MT19937 gives the same numbers.
        self::assertSame('7450e23b', hash('crc32b', self::sheet(7)->drawn()));
    }

    /** @return iterable<string, array{DriftKind, Shape}> */
    public static function kinds(): iterable
    {
        foreach (DriftKind::cases() as $kind) {
            foreach (Shape::cases() as $shape) {
                yield "{$kind->value}, {$shape->value}" => [$kind, $shape];
            }
        }
    }

    #[DataProvider('kinds')]
    public function testThereIsMoreOfItTheStrongerItIsAndAllOfItIsDrawn(DriftKind $kind, Shape $shape): void
    {
        $counts = $covers = [];
        foreach (Strength::cases() as $strength) {
            $svg = (new DriftSheet($shape, $kind, $kind->usualWay(), $strength, Depth::Near, 1))->svg(200, 100);
            $document = new \DOMDocument();
            self::assertTrue($document->loadXML($svg));
            self::assertStringNotContainsString('nan', strtolower($svg));
            $counts[] = substr_count($svg, 'url(#');
            $covers[] = $kind->cover($strength, Depth::Near);
        }
        self::assertTrue($counts[0] < $counts[1] && $counts[1] < $counts[2], implode(' ', $counts));
        self::assertTrue($covers[0] < $covers[1] && $covers[1] <= $covers[2], implode(' ', $covers));
        self::assertLessThan(1, $covers[2]);
    }

    /** So it has no seam: what reaches over a side comes in at the other. */
    #[DataProvider('kinds')]
    public function testWhatReachesOverASideComesInAtTheOther(DriftKind $kind, Shape $shape): void
    {
        $over = 0;
        for ($seed = 0; $seed < 20; ++$seed) {
            $sheet = new DriftSheet($shape, $kind, $kind->usualWay(), Strength::Much, Depth::Near, $seed);
            $over += self::reachingOver($sheet, $kind);
        }
        self::assertGreaterThan(0, $over);
    }

    private static function reachingOver(DriftSheet $sheet, DriftKind $kind): int
    {
        preg_match_all('/<(?:ellipse c|rect )x="(-?[\d.]+)" c?y="(-?[\d.]+)" (?:rx|width)="([\d.]+)" (?:ry|height)="([\d.]+)"/', $sheet->drawn(), $found, \PREG_SET_ORDER);
        $places = array_map(static fn(array $one): array => array_map(floatval(...), \array_slice($one, 1)), $found);
        $over = 0;
        $isThere = static fn(float $x, float $y): bool => [] !== array_filter(
            $places,
            static fn(array $other): bool => abs($other[0] - $x) < 0.2 && abs($other[1] - $y) < 0.2,
        );
        foreach ($places as [$x, $y, $across, $along]) {
            $reach = DriftKind::Rain === $kind ? 0 : $across;
            foreach ([[$x < $reach, $sheet->width, 0], [$x > $sheet->width - $reach, -$sheet->width, 0], [$y < $along, 0, DriftSheet::HEIGHT]] as [$isOver, $dx, $dy]) {
                if ($isOver && $x > 0 && $x < $sheet->width && $y > 0 && $y < DriftSheet::HEIGHT) {
                    ++$over;
                    self::assertTrue($isThere($x + $dx, $y + $dy), "{$x} {$y}");
                }
            }
        }

        return $over;
    }

    public function testItGoesWhereItWasTold(): void
    {
        foreach ([
            'up' => [0, -1], 'right' => [1, 0], 'down' => [0, 1], 'left' => [-1, 0],
            'up-right' => [1, -1], 'down-right' => [1, 1], 'down-left' => [-1, 1], 'up-left' => [-1, -1],
        ] as $way => [$x, $y]) {
            foreach (DriftKind::cases() as $kind) {
                $velocity = self::sheet(1, Way::from($way), Shape::Wide, $kind)->velocity();
                self::assertSame($x, round($velocity['x'], 6) <=> 0.0, "{$kind->value} {$way}");
                self::assertSame($y, round($velocity['y'], 6) <=> 0.0, "{$kind->value} {$way}");
            }
        }
        // As fast in every shape: of an upright slide's width it is more.
        $wide = self::sheet(1, Way::Right)->velocity()['x'] * Shape::Wide->ratio();
        self::assertEqualsWithDelta($wide, self::sheet(1, Way::Right, Shape::Upright)->velocity()['x'] * Shape::Upright->ratio(), 1e-9);
    }

    public function testItGoesOnFromSlideToSlideAndBeginsAnewAfterAPause(): void
    {
        $snow = new Drift(DriftKind::Snow);
        $scenes = self::scenes(Stories::of([['drift' => $snow], ['drift' => $snow], [], ['drift' => $snow], ['drift' => new Drift(DriftKind::Snow, Way::Left)]]));
        [$first, $second, $after, $turned] = array_map(static fn(int $i): PlannedDrift => self::drifts($scenes[$i])[0], [0, 1, 3, 4]);
        self::assertSame($first->sheet->name(), $second->sheet->name());
        // Where the one slide gives way to the other it lies in the same place in both.
        for ($frame = $scenes[1]->start; $frame < $scenes[0]->gone(); ++$frame) {
            self::assertSame($first->at($frame - $scenes[0]->start), $second->at($frame - $scenes[1]->start));
        }
        self::assertGreaterThan($scenes[1]->start, $scenes[0]->gone());
        self::assertSame([], self::drifts($scenes[2]));
        self::assertSame(0, $after->since);
        self::assertSame(0, $turned->since);
        self::assertNotSame($first->sheet->name(), $after->sheet->name());
    }

    public function testItLiesOverPicturesAndUnderWordsInAnyStory(): void
    {
        $met = 0;
        foreach (range(1, 60) as $seed) {
            foreach (self::scenes(Stories::random($seed)) as $scene) {
                $wordsCame = false;
                foreach ($scene->layers as $i => $layer) {
                    $wordsCame = $wordsCame || $layer instanceof PlannedWords;
                    if ($layer instanceof PlannedDrift) {
                        ++$met;
                        self::assertFalse($wordsCame, "seed {$seed}");
                        // Where a page lays another instead, to choose by.
                        $before = array_filter(\array_slice($scene->layers, 0, $i), static fn(PlannedLayer $one): bool => !$one instanceof PlannedDrift);
                        self::assertCount($scene->weather(), $before);
                        foreach (\array_slice($scene->layers, $i) as $over) {
                            self::assertFalse($over instanceof PlannedPicture, "seed {$seed}");
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(50, $met);
    }

    /** WCAG 2.2, 1.4.3, wherever a flake may lie behind a letter: on the bare ground of every style. */
    public function testHeadingsOnTheBareGroundAreReadThroughIt(): void
    {
        foreach (StyleName::cases() as $name) {
            foreach (DriftKind::cases() as $kind) {
                foreach (Strength::cases() as $strength) {
                    $story = Stories::of([['layout' => Layout::Title, 'title' => 'A heading', 'subtitle' => 'And what is below', 'drift' => new Drift($kind, null, $strength)]]);
                    [$scene] = self::scenes($story->with(style: $story->style->named($name)));
                    $through = 1.0;
                    foreach (self::drifts($scene) as $layer) {
                        $through *= 1 - $layer->cover;
                    }
                    $mixed = Veiled::mixed($scene->ground, $kind->colour(), 1 - $through);
                    foreach ($scene->words() as $words) {
                        foreach ($words->block->lines as $line) {
                            self::assertGreaterThanOrEqual(
                                Contrast::LEAST,
                                Contrast::ratio(Contrast::luminance($line->colour), $mixed),
                                "{$name->value}, {$kind->value}, {$strength->value}",
                            );
                        }
                    }
                }
            }
        }
    }

    /** The light under words is what the picture has and what passes over it. */
    public function testWordsOnADarkPictureStandOnAPlateWhereItSnows(): void
    {
        $dusk = new LightMap(str_repeat("\x10\x18", LightMap::COLUMNS * LightMap::ROWS));
        $plates = static function (?Drift $drift) use ($dusk): array {
            $story = Stories::of([['caption' => 'A fact', 'drift' => $drift]]);
            $picture = self::scenes($story)[0]->picture();
            self::assertNotNull($picture);

            return self::scenes($story, [$picture->rendition->lightKey() => $dusk])[0]->words()[0]->block->plates;
        };
        self::assertSame([], $plates(null));
        self::assertNotSame([], $plates(new Drift(DriftKind::Snow)));

        $veiled = new Veiled($dusk, new Drift(DriftKind::Snow));
        [$dark, $bright] = $veiled->under(Frame::all());
        self::assertEqualsWithDelta(Contrast::linear(16 / 255), $dark, 1e-6);
        $cover = (new Drift(DriftKind::Snow))->cover();
        self::assertEqualsWithDelta(Contrast::linear($cover + 24 / 255 * (1 - $cover)), $bright, 1e-6);
    }

    public function testWhatIsToldIsReadAndTheRestIsUsual(): void
    {
        $read = static fn(array $told): array => Drift::read(Fields::of($told))->toArray();
        self::assertSame(['kind' => 'rain', 'way' => 'down-left', 'strength' => 'some'], $read(['kind' => 'rain']));
        self::assertSame(['kind' => 'mist', 'way' => 'up', 'strength' => 'much'], $read(['kind' => 'mist', 'way' => 'up', 'strength' => 'much']));
        $this->expectException(Malformed::class);
        $read(['kind' => 'hail']);
    }
}
