<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\Ornament;
use Rhapsode\Core\Words\OwnScheme;
use Rhapsode\Core\Words\Plate;
use Rhapsode\Core\Words\Scheme;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\Writing;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** The whole story's face: eight of ours, and what a maker changes of them. */
final class StyleTest extends TestCase
{
    private static function ratio(string $one, string $other): float
    {
        return Contrast::ratio(Contrast::luminance($one), Contrast::luminance($other));
    }

    /** @return iterable<string, array{StyleName}> */
    public static function names(): iterable
    {
        foreach (StyleName::cases() as $name) {
            yield $name->value => [$name];
        }
    }

    /** WCAG 2.2, 1.4.3: 4.5:1 for text; 1.4.11: 3:1 for what is drawn. */
    #[DataProvider('names')]
    public function testItsColoursStandClearOfItsGround(StyleName $name): void
    {
        $scheme = $name->scheme();
        self::assertGreaterThanOrEqual(4.5, self::ratio($scheme->ink, $scheme->ground));
        self::assertGreaterThanOrEqual(4.5, self::ratio($scheme->soft, $scheme->ground));
        self::assertGreaterThanOrEqual(3.0, self::ratio($scheme->accent, $scheme->ground));
        self::assertTrue($scheme->isClear());
        if (null !== $scheme->words && null !== $scheme->plate) {
            self::assertGreaterThanOrEqual(4.5, self::ratio($scheme->words, $scheme->plate));
        }
    }

    /** How much pictures move by themselves is a part of a style's temper; calm it is in every one, however short or long the slide. */
    #[DataProvider('names')]
    public function testPicturesMoveAsMuchAsTheStyleHasIt(StyleName $name): void
    {
        $amount = $name->scheme()->motion;
        foreach ([2.0, 5.0, 12.0, 60.0] as $seconds) {
            foreach ([4 / 3, 16 / 9, 3.0] as $ratio) {
                $move = Framer::move(Fit::Fill, new Framing(), $ratio, 16 / 9, $seconds, 's', amount: $amount);
                self::assertTrue(Comfort::of($move, $seconds)->isCalm());
                self::assertFalse($move->isStill());
            }
        }
        $zoom = static fn(float $much): float => Comfort::of(Framer::move(Fit::Fill, new Framing(), 16 / 9, 16 / 9, 5.0, 's', amount: $much), 5.0)->zoom;
        self::assertEqualsWithDelta($amount, $zoom($amount) / $zoom(1.0), 0.05);
    }

    public function testNoTwoAreAlike(): void
    {
        $schemes = array_map(static fn(StyleName $name): Scheme => $name->scheme(), StyleName::cases());
        self::assertCount(8, array_unique(array_map(static fn(Scheme $scheme): string => $scheme->ground, $schemes)));
        self::assertCount(8, array_unique(array_map(static fn(Scheme $scheme): string => $scheme->ornament->value, $schemes)));
        self::assertGreaterThanOrEqual(6, \count(array_unique(array_map(static fn(Scheme $scheme): string => $scheme->heading->key(), $schemes))));
        $kinds = array_map(static fn(StyleName $name): string => $name->transition()->kind->value, StyleName::cases());
        self::assertGreaterThanOrEqual(5, \count(array_unique($kinds)));
    }

    /** Whatever lies under them, words of every style can be read: on a plate, on the picture itself, or by an edge. */
    #[DataProvider('names')]
    public function testWordsOnPicturesCanBeReadOnAnyGround(StyleName $name): void
    {
        foreach ([[0.0, 0.0], [1.0, 1.0], [0.0, 1.0], [0.18, 0.22], [0.4, 0.6], [0.0, 0.1], [0.85, 1.0]] as $lights) {
            $light = new class (...$lights) implements LightUnder {
                public function __construct(private float $darkest, private float $brightest) {}

                public function under(Frame $part): array
                {
                    return [$this->darkest, $this->brightest];
                }
            };
            $set = new Typesetter(new EvenWidths(), Shape::Wide, 'en', $name->scheme());
            foreach ([new WordsLook(), new WordsLook(colour: '#c0392b'), new WordsLook(colour: '#ffffff')] as $look) {
                $block = $set->onPicture(new Writing('Twice a day', 'a miller'), Spot::Bottom, [], Move::still(Frame::all()), $light, $look);
                foreach ($block->lines as $line) {
                    self::assertReadable($line, $block, ...$lights);
                }
            }
        }
    }

    private static function assertReadable(Line $line, TextBlock $block, float $darkest, float $brightest): void
    {
        $letter = Contrast::luminance($line->colour);
        if (null !== $line->edge) {
            self::assertGreaterThanOrEqual(4.5, self::ratio($line->colour, $line->edge));

            return;
        }
        $plate = $block->plates[0] ?? null;
        $through = static fn(float $light): float => null === $plate ? $light : Contrast::linear(
            Contrast::component(Contrast::luminance($plate->colour)) * $plate->opacity + Contrast::component($light) * (1 - $plate->opacity),
        );
        self::assertGreaterThanOrEqual(4.5, min(
            Contrast::ratio($letter, $through($darkest)),
            Contrast::ratio($letter, $through($brightest)),
        ));
    }

    public function testTheTitleAndTheCreditsAreInItsFacesAndColours(): void
    {
        $story = Stories::of([['layout' => Layout::Title, 'subtitle' => 'Below'], []])->with(style: new Style(null, StyleName::Stone));
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $scheme = StyleName::Stone->scheme();
        [$title, $subtitle] = $plan->scenes[0]->words();
        self::assertSame($scheme->ground, $plan->scenes[0]->ground);
        self::assertSame([Face::Solemn, $scheme->ink], [$title->block->lines[0]->type->face, $title->block->lines[0]->colour]);
        self::assertSame([Face::Reading, $scheme->soft], [$subtitle->block->lines[0]->type->face, $subtitle->block->lines[0]->colour]);
        self::assertSame($scheme->accent, $title->block->plates[0]->colour);
        $last = $plan->scenes[\count($plan->scenes) - 1];
        self::assertStringStartsWith('credits', $last->id);
        self::assertSame([$scheme->ground, Face::Solemn], [$last->ground, $last->words()[0]->block->lines[0]->type->face]);
        self::assertSame(TransitionKind::ThroughDark, $plan->scenes[0]->transition->kind);
    }

    public function testWhatASlideSaysItselfStays(): void
    {
        $story = Stories::of([['layout' => Layout::Title, 'subtitle' => 'Below', 'transition' => new Transition(TransitionKind::Sweep, 2.0)], []]);
        $styled = (new SetStyle(null, StyleName::Tin))->apply($story);
        self::assertEquals($story->slides, $styled->slides);
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($styled);
        self::assertSame([TransitionKind::Sweep, 60], [$plan->scenes[0]->transition->kind, $plan->scenes[0]->transition->frames]);
    }

    public function testAnotherStyleBringsItsTransitionUnlessOneWasChosen(): void
    {
        $story = new Story('A story');
        $after = static fn(Story $story, StyleName $name): Transition => (new SetStyle(null, $name))->apply($story)->style->transition;
        self::assertEquals(StyleName::Stone->transition(), $after($story, StyleName::Stone));
        $own = (new SetStyle(new Transition(TransitionKind::Rise, 0.7)))->apply($story);
        self::assertEquals(new Transition(TransitionKind::Rise, 0.7), $after($own, StyleName::Stone));
    }

    public function testOnesOwnFacesAndColoursLieOnTheStyleAndGoWithIt(): void
    {
        $story = (new SetStyle(null, StyleName::Clay, ['heading' => 'typed', 'ground' => '#102030', 'ink' => '#FFFFFF']))->apply(new Story('A story'));
        $scheme = $story->style->scheme();
        self::assertSame([Face::Typed, '#102030', '#ffffff', '#ffffff'], [$scheme->heading->face, $scheme->ground, $scheme->ink, $scheme->soft]);
        self::assertSame(StyleName::Clay->scheme()->accent, $scheme->accent, 'what is not told stays');
        $less = (new SetStyle(null, null, ['ground' => null, 'ink' => null]))->apply($story);
        self::assertSame(['heading' => 'typed'], $less->style->own->toArray());
        self::assertSame([], (new SetStyle(null, StyleName::Reed))->apply($story)->style->own->toArray());
        self::assertEquals($story->style, Style::read(Fields::of($story->style->toArray())));
    }

    public function testAColourThatIsNoneIsRefused(): void
    {
        $this->expectException(Malformed::class);
        (new SetStyle(null, null, ['ink' => 'red']))->apply(new Story('A story'));
    }

    /** A maker may choose any two colours: the title has an edge then, so that it can be read. */
    public function testATitleTooPaleForItsGroundGetsAnEdge(): void
    {
        $scheme = (new OwnScheme(ground: '#777777', ink: '#888888'))->on(new Scheme());
        self::assertFalse($scheme->isClear());
        [$title] = (new Typesetter(new EvenWidths(), Shape::Wide, 'en', $scheme))->headings()->title('A title', '');
        [$line] = $title->lines;
        self::assertNotNull($line->edge);
        self::assertGreaterThanOrEqual(4.5, self::ratio('#888888', $line->edge));
    }

    public function testOrnamentsStandInTheMiddleAndAreSmall(): void
    {
        foreach (Ornament::cases() as $ornament) {
            foreach ([5, 9] as $count) {
                $plates = $ornament->plates(640, 300, $count, '#123456');
                self::assertNotSame([], $plates);
                $left = min(array_map(static fn(Plate $plate): float => $plate->x, $plates));
                $right = max(array_map(static fn(Plate $plate): float => $plate->x + $plate->width, $plates));
                self::assertEqualsWithDelta(640, ($left + $right) / 2, 10, $ornament->value);
                self::assertLessThan(360, $right - $left);
                foreach ($plates as $plate) {
                    self::assertTrue($plate->y >= 296 && $plate->y + $plate->height <= 314, $ornament->value);
                }
            }
        }
    }
}
