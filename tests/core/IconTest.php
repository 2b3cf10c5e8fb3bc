<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\Wording;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\RaiseLayer;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Layer\Icon\PlannedIcon;
use Rhapsode\Core\Layer\Icon\Tint;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Icons: our own signs, and drawings of the open set, in their own colours or in the style's. */
final class IconTest extends TestCase
{
    /** @param array<string, mixed> $icon */
    private static function with(array $icon): Story
    {
        return (new SetLayer('s0', 'mark', LayerKind::Icon, $icon))->apply(Stories::of([[]]));
    }

    private static function planned(Story $story): PlannedIcon
    {
        foreach ((new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0]->layers as $layer) {
            if ($layer instanceof PlannedIcon) {
                return $layer;
            }
        }
        self::fail('there is no icon');
    }

    public function testADrawingOfTheSetIsCreditedOnceASignIsNot(): void
    {
        $credits = static fn(Story $story): string => implode("\n", Credits::entries($story, new Wording(new IcuCatalogue(), $story->language)));
        self::assertStringNotContainsString('OpenMoji', $credits(self::with(['name' => 'heart'])));
        $story = (new SetLayer('s0', 'two', LayerKind::Icon, ['name' => 'bird']))->apply(self::with(['name' => 'sailboat']));
        self::assertSame(1, substr_count($credits($story), 'OpenMoji'));
        // What its licence asks for: whose it is, where it is, and the licence (CC BY-SA 4.0, 3(a)(1)).
        self::assertStringContainsString('Icons by OpenMoji · openmoji.org · CC BY-SA 4.0', $credits($story));
        self::assertStringContainsString('Symbole: OpenMoji', $credits($story->with(language: 'de')));
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (['../../etc/passwd', 'a b', '', 'A', '-x', 'x.svg', str_repeat('x', 81), "x\n"] as $name) {
            yield json_encode($name, \JSON_THROW_ON_ERROR) => [$name];
        }
    }

    #[DataProvider('names')]
    public function testANameLeadsNowhere(string $name): void
    {
        $this->expectException(Malformed::class);
        self::with(['name' => $name]);
    }

    public function testItIsPutByHandTurnedAndAtAPlaceAgain(): void
    {
        $story = self::with(['name' => 'bird', 'size' => 0.3, 'turn' => -45, 'at' => ['x' => 0.4, 'y' => 0.6]]);
        $icon = self::planned($story);
        self::assertSame(-45, $icon->turn);
        self::assertEqualsWithDelta(0.4, $icon->box->x + $icon->box->width / 2, 1e-6);
        self::assertEqualsWithDelta(0.6, $icon->box->y + $icon->box->height / 2, 1e-6);
        self::assertEqualsWithDelta(0.3, $icon->box->height, 1e-6);
        // As far at the edge as it goes: never outside the slide.
        $edge = self::planned((new SetLayer('s0', 'mark', LayerKind::Icon, ['at' => ['x' => 1, 'y' => 0]]))->apply($story));
        self::assertEqualsWithDelta(1.0, $edge->box->x + $edge->box->width, 1e-6);
        self::assertSame(0.0, $edge->box->y);
        $again = (new SetLayer('s0', 'mark', LayerKind::Icon, ['place' => 'left']))->apply($story);
        self::assertEqualsWithDelta(0.05, self::planned($again)->box->x, 1e-6);
    }

    public function testItLiesBeforeOrBehindOthers(): void
    {
        $story = (new SetLayer('s0', 'words', LayerKind::Words, ['text' => 'A']))->apply(self::with([]));
        $order = static fn(Story $story): array => array_map(static fn(Layer $layer): string => $layer->id(), $story->slides[0]->layers);
        $raised = (new RaiseLayer('s0', 'mark', 1))->apply($story);
        self::assertSame([['picture', 'mark', 'words'], ['picture', 'words', 'mark']], [$order($story), $order($raised)]);
        self::assertSame($order($raised), $order((new RaiseLayer('s0', 'mark', 1))->apply($raised)));
        self::assertSame($order($story), $order((new RaiseLayer('s0', 'mark', -1))->apply($raised)));
    }

    /** In the style's colours what was darker stays darker, in every style. */
    public function testATintKeepsWhatIsDarkDarkerThanWhatIsLight(): void
    {
        foreach (StyleName::cases() as $style) {
            $tint = Tint::of($style->scheme());
            $tinted = $tint->on('<svg viewBox="0 0 72 72"><path fill="#000"/><path fill="#a57939"/><path stroke="#ffffff" fill="none"/><path/></svg>');
            preg_match_all('/(?:fill|stroke)="(#[0-9a-f]{6})"/i', $tinted, $found);
            [$root, $black, $brown, $white] = array_map(Contrast::luminance(...), $found[1]);
            self::assertSame($root, $black, 'what tells no colour is black');
            self::assertLessThan($white, $black);
            self::assertGreaterThanOrEqual(min($black, Contrast::luminance($tint->mid)), $brown);
            self::assertStringContainsString('fill="none"', $tinted);
            // And lines can be seen on what they are about (WCAG 2.2, 1.4.11: 3:1).
            self::assertGreaterThanOrEqual(3.0, Contrast::ratio($white, $black), $style->value);
        }
    }

    public function testItsColoursAreItsOwnTheStylesOrOne(): void
    {
        $tint = static fn(string $colour): ?Tint => self::planned(self::with(['name' => 'bird', 'colour' => $colour]))->tint;
        self::assertNull($tint('own'));
        self::assertEquals(Tint::of(StyleName::Thread->scheme()), $tint('style'));
        self::assertSame('#B3322B', $tint('red')?->dark);
        self::assertNull(self::planned(self::with(['name' => 'heart', 'colour' => 'style']))->tint);
    }

    /** A small picture of one's own: all of it, in its own shape, with its source. */
    public function testAPictureOfTheStorysOwnIsShownWholeAndIsCredited(): void
    {
        $story = self::with(['name' => 'heart', 'size' => 0.4])->withAsset(new Picture('own', 'own.png', 400, 800, new Source('A seal', 'Bo'), transparent: true));
        $story = (new SetPicture('s0', 'own', 'mark'))->apply($story);
        $planned = self::planned($story);
        self::assertSame(['own', 'cutout.png'], [$planned->toArray()['asset'] ?? null, $planned->toArray()['file'] ?? null]);
        self::assertArrayNotHasKey('path', $planned->toArray());
        // 0.4 of the height, and half of that wide: of 1280 x 720, 144 x 288.
        self::assertEqualsWithDelta(144 / 1280, $planned->box->width, 1e-6);
        self::assertEqualsWithDelta(288 / 720, $planned->box->height, 1e-6);
        self::assertNotSame($planned->hash(), self::planned(self::with(['name' => 'heart', 'size' => 0.4]))->hash());
        self::assertStringContainsString('A seal', implode("\n", Credits::entries($story, new Wording(new IcuCatalogue(), 'en'))));
        self::assertContains('own', $story->slides[0]->assets());
        // A name that is chosen then is what it shows.
        $named = (new SetLayer('s0', 'mark', LayerKind::Icon, ['name' => 'bird']))->apply($story);
        self::assertSame('bird', self::planned($named)->toArray()['name'] ?? null);
        self::assertStringNotContainsString('A seal', implode("\n", Credits::entries($named, new Wording(new IcuCatalogue(), 'en'))));
    }

    public function testOneWithoutASourceIsSaidOnATitleToo(): void
    {
        $story = Stories::of([['layout' => Layout::Title], []])->withAsset(new Picture('own', 'own.png', 400, 800));
        $story = (new SetLayer('s0', 'mark', LayerKind::Icon, ['asset' => 'own']))->apply($story);
        $rules = array_map(
            static fn(Finding $finding): array => [$finding->rule, array_keys($finding->slides)],
            Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)),
        );
        self::assertContains(['no-source', ['s0']], $rules);
    }

    public function testAPictureThatTheStoryHasNotIsRefused(): void
    {
        $this->expectException(Malformed::class);
        (new SetLayer('s0', 'mark', LayerKind::Icon, ['asset' => 'gone']))->apply(Stories::of([[]]))->checked();
    }
}
