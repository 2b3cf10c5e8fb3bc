<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Core\Words\Scheme;
use Rhapsode\Core\Words\WholeLight;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** What a picture lies on that is shown whole. */
final class GroundTest extends TestCase
{
    private static function on(string $ground, Fit $fit = Fit::Whole): Story
    {
        $story = Stories::of([['fit' => $fit, 'recipe' => new Recipe(90)]]);

        return (new SetLayers(['s0'], LayerKind::Picture, ['ground' => $ground]))->apply($story);
    }

    private static function shown(Story $story): string
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0]->picture()?->rendition->name() ?? '';
    }

    public function testItsColourNamesTheRendition(): void
    {
        self::assertSame('whole-t90', self::shown(self::on('blurred')));
        self::assertSame('whole-g2f3e50-t90', self::shown(self::on('#2F3E50')));
        self::assertSame('whole-g' . strtolower(substr(Scheme::PAPER, 1)) . '-t90', self::shown(self::on('paper')));
        self::assertSame(
            'full-t90',
            self::shown(self::on('#2f3e50', Fit::Fill)),
            'nothing of it is seen where the picture fills the slide',
        );
    }

    /** The paper of titles is the style's. */
    public function testPaperFollowsTheStyle(): void
    {
        $story = self::on('paper');
        $story = $story->with(style: $story->style->named(StyleName::Lantern));
        self::assertSame('whole-g10162a-t90', self::shown($story));
        $own = $story->with(style: $story->style->owned(['ground' => '#334455']));
        self::assertSame('whole-g334455-t90', self::shown($own));
        // As it is, and as it would be in another style, which is chosen by looking.
        foreach (['#334455', '#10162a', strtolower(Scheme::PAPER)] as $colour) {
            self::assertTrue($own->lays('p', $colour), $colour);
        }
        self::assertFalse($own->lays('p', '#334456'));
    }

    public function testOnlyWhatASlideLiesOnIsMade(): void
    {
        $story = self::on('#2f3e50');
        self::assertTrue($story->lays('p', '#2f3e50'));
        self::assertFalse($story->lays('p', '#2f3e51'));
        self::assertFalse($story->lays('q', '#2f3e50'));
        self::assertFalse(self::on('blurred')->lays('p', '#2f3e50'));
    }

    public function testWhatIsUsualIsNotTold(): void
    {
        self::assertArrayNotHasKey('ground', self::on('blurred')->slides[0]->picture()?->toArray() ?? []);
        self::assertSame('paper', self::on('paper')->slides[0]->picture()?->toArray()['ground'] ?? null);
    }

    /** @return iterable<string, array{string}> */
    public static function none(): iterable
    {
        foreach (['', 'red', '#fff', '#12345g', '#1234567', "#123456\n", 'url(x)'] as $ground) {
            yield json_encode($ground, \JSON_THROW_ON_ERROR) => [$ground];
        }
    }

    #[DataProvider('none')]
    public function testAGroundThatIsNoneIsRefused(string $ground): void
    {
        $this->expectException(Malformed::class);
        self::on($ground);
    }

    public function testWordsOnALightGroundKnowThatItIsLight(): void
    {
        $dark = new LightMap(str_repeat("\x10\x20", LightMap::COLUMNS * LightMap::ROWS));
        self::assertSame(0.0, (new WholeLight($dark))->under(Frame::all())[0]);
        self::assertEqualsWithDelta(1.0, (new WholeLight($dark, '#ffffff'))->under(Frame::all())[1], 1e-6);
        self::assertEqualsWithDelta(0.0, (new WholeLight($dark, '#000000'))->under(Frame::all())[0], 1e-6);
    }
}
