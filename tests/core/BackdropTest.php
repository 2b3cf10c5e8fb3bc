<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\SetDrift;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Picture\PlannedBackdrop;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Wash;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** The picture on the ground of a style: seen as far as lets words be read, whatever is on it. */
final class BackdropTest extends TestCase
{
    /** @param array{float, float}|null $light */
    private static function plan(Story $story, ?array $light = null): Plan
    {
        $lights = null === $light ? [] : ['p' => new class ($light) implements LightUnder {
            /** @param array{float, float} $light */
            public function __construct(private array $light) {}

            public function under(Frame $part): array
            {
                return $this->light;
            }
        }];

        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story, $lights);
    }

    private static function story(StyleName $style = StyleName::Thread): Story
    {
        $story = Stories::of([
            ['layout' => Layout::Title, 'subtitle' => 'Below'],
            [],
            ['layout' => Layout::Part, 'title' => 'Later'],
            ['layout' => Layout::Closing, 'subtitle' => 'Ann did all'],
        ]);

        return (new SetStyle(null, $style, ['picture' => 'p']))->apply($story);
    }

    private static function on(Scene $scene): ?PlannedBackdrop
    {
        $first = $scene->layers[0];

        return $first instanceof PlannedBackdrop ? $first : null;
    }

    public function testItLiesUnderTitlesTheLastSlideAndTheCreditsAndNothingElse(): void
    {
        $plan = self::plan(self::story());
        self::assertSame(
            [true, false, false, true, true],
            array_map(static fn(Scene $scene): bool => null !== self::on($scene), $plan->scenes),
        );
        foreach ($plan->scenes as $scene) {
            self::assertCount(null === self::on($scene) ? 0 : 1, array_filter($scene->layers, static fn(PlannedLayer $layer): bool => $layer instanceof PlannedBackdrop));
        }
        self::assertNull(self::on(self::plan((new SetStyle(null, null, ['picture' => null]))->apply(self::story()))->scenes[0]));
        self::assertNull(self::on(self::plan((new SetStyle(null, StyleName::Clay))->apply(self::story()))->scenes[0]), 'another style has none of it');
    }

    /** @return iterable<string, array{StyleName, array{float, float}}> */
    public static function lights(): iterable
    {
        foreach (StyleName::cases() as $style) {
            foreach ([[0.0, 1.0], [0.0, 0.2], [0.3, 0.6], [0.7, 1.0], [0.0, 0.0], [1.0, 1.0]] as $light) {
                yield "{$style->value} on {$light[0]} to {$light[1]}" => [$style, $light];
            }
        }
    }

    /**
     * Of pixels of every colour in the light that was measured, mixed component by component as film and page mix them: none comes
     * nearer to a letter than 4.5:1 (WCAG 2.2, 1.4.3), or than the style's own ground is.
     *
     * @param array{float, float} $light
     */
    #[DataProvider('lights')]
    public function testWordsAreReadOnAnyPixelOfIt(StyleName $style, array $light): void
    {
        $story = self::story($style);
        $plan = self::plan($story, $light);
        $ground = $story->style->scheme()->ground;
        mt_srand(7);
        foreach ([0, 3, 4] as $i) {
            $scene = $plan->scenes[$i];
            $on = self::on($scene);
            self::assertNotNull($on, 'there is always something to be seen');
            self::assertGreaterThan(0.08, $on->share);
            $lights = array_map(static fn(string $pixel): float => Contrast::luminance(self::mixed($pixel, $ground, $on->share)), self::pixels($light));
            foreach ($scene->words() as $words) {
                $ink = Contrast::luminance($words->block->lines[0]->colour);
                $least = min(Contrast::LEAST, Contrast::ratio($ink, Contrast::luminance($ground)));
                $ratios = array_map(static fn(float $mixed): float => Contrast::ratio($ink, $mixed), $lights);
                self::assertGreaterThanOrEqual($least, min([21.0, ...$ratios]), "{$words->id()} at {$on->share}");
            }
        }
    }

    /**
     * @param array{float, float} $light
     *
     * @return list<string> of many colours, each as light as that
     */
    private static function pixels(array $light): array
    {
        $pixels = ['#000000', '#ffffff', '#ff0000', '#00ff00', '#0000ff', '#ffff00', '#00ffff', '#ff00ff'];
        for ($i = 0; $i < 1500; ++$i) {
            $pixels[] = \sprintf('#%02x%02x%02x', ...array_map(static fn(): int => mt_rand(0, 3) > 0 ? mt_rand(0, 255) : 255 * mt_rand(0, 1), [1, 2, 3]));
        }

        return array_values(array_filter($pixels, static function (string $pixel) use ($light): bool {
            $own = Contrast::luminance($pixel);

            return $own >= $light[0] && $own <= $light[1];
        }));
    }

    private static function mixed(string $pixel, string $ground, float $share): string
    {
        return \sprintf('#%02x%02x%02x', ...array_map(
            static fn(int $at): int => (int) round(hexdec(substr($pixel, $at, 2)) * $share + hexdec(substr($ground, $at, 2)) * (1 - $share)),
            [1, 3, 5],
        ));
    }

    public function testOfACalmPictureMoreIsSeen(): void
    {
        $share = static fn(float $dark, float $bright): float => Wash::share(['#20242B'], '#FBF8F1', [$dark, $bright]);
        self::assertGreaterThan($share(0.0, 1.0), $share(0.3, 1.0));
        self::assertSame(0.8, $share(0.5, 1.0));
        // Letters that are not clear of their own ground are at least never of the colour of what is under them.
        $faint = Wash::share(['#777777'], '#a0a0a0', [0.0, 1.0]);
        [$dark, $bright] = Wash::light('#a0a0a0', [0.0, 1.0], $faint);
        self::assertFalse($dark < Contrast::luminance('#777777') && Contrast::luminance('#777777') < $bright, "at {$faint}");
        self::assertSame(0.0, Wash::share(['#808080', '#ffffff', '#000000'], '#FBF8F1', [0.0, 1.0]), 'where nothing is read, nothing is seen');
    }

    public function testWordsInAColourOfTheirOwnAreReadToo(): void
    {
        $story = self::story();
        $all = self::on(self::plan($story)->scenes[0])->share ?? 0.0;
        $own = (new \Rhapsode\Core\Edit\SetLayer('s0', 'title', \Rhapsode\Core\Layer\LayerKind::Words, ['colour' => '#5a6070']))->apply($story);
        self::assertLessThan($all, self::on(self::plan($own)->scenes[0])->share ?? 0.0);
    }

    public function testNothingDriftsOverIt(): void
    {
        $story = (new SetDrift(['s0', 's1'], new Drift(DriftKind::Snow)))->apply(self::story());
        $kinds = static fn(Scene $scene): array => array_map(static fn(PlannedLayer $layer): string => $layer->kind()->value, $scene->layers);
        $plan = self::plan($story);
        self::assertNotContains('drift', $kinds($plan->scenes[0]));
        self::assertContains('drift', $kinds($plan->scenes[1]));
    }

    public function testItsSourceIsCreditedAndAskedFor(): void
    {
        $story = Stories::of([['layout' => Layout::Title], []])->withAsset(new Picture('q', 'reeds.jpg', 1600, 900));
        $rules = static fn(Story $story): array => array_map(
            static fn(Finding $finding): string => $finding->rule,
            Proof::read($story, self::plan($story)),
        );
        $lain = (new SetStyle(null, null, ['picture' => 'q']))->apply($story);
        self::assertNotContains('no-backdrop-source', $rules($story));
        self::assertContains('no-backdrop-source', $rules($lain));
        $told = $lain->withAsset($lain->picture('q')?->withSource(new Source('Reeds', 'Bo', '', 'CC0')) ?? throw new \LogicException());
        self::assertNotContains('no-backdrop-source', $rules($told));
        self::assertContains('“Reeds” by Bo · CC0', self::plan($told)->credits);
        // Of one that a slide shows the slide is told.
        self::assertNotContains('no-backdrop-source', $rules((new SetStyle(null, null, ['picture' => 'p']))->apply($story)));
    }

    public function testAPictureThatIsNotThereIsRefused(): void
    {
        $story = self::story();
        self::assertEquals($story, Story::fromJson($story->toJson()));
        try {
            (new SetStyle(null, null, ['picture' => 'gone']))->apply($story);
            self::fail('it was taken');
        } catch (Refused $problem) {
            self::assertSame('edit.asset-gone', $problem->said->code);
        }
        $this->expectException(Malformed::class);
        Story::fromJson(str_replace('"picture":"p"', '"picture":"gone"', $story->toJson()));
    }
}
