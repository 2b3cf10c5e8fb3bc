<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Legibility;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\LineBreaker;
use Rhapsode\Core\Words\Standing;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\Type;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\WordsSize;
use Rhapsode\Core\Words\Writing;

final class WordsTest extends TestCase
{
    /** WCAG 2.2, definition of contrast ratio; #767676 and #777777 on white are the well-known neighbours of 4.5:1. */
    public function testContrastIsThatOfWcag(): void
    {
        $white = Contrast::luminance('#FFFFFF');

        self::assertEqualsWithDelta(21.0, Contrast::ratio($white, Contrast::luminance('#000000')), 1e-9);
        self::assertEqualsWithDelta(4.54, Contrast::ratio($white, Contrast::luminance('#767676')), 0.005);
        self::assertEqualsWithDelta(4.48, Contrast::ratio($white, Contrast::luminance('#777777')), 0.005);
        self::assertEqualsWithDelta(4.0, Contrast::ratio($white, Contrast::luminance('#FF0000')), 0.005);
        self::assertEqualsWithDelta(8.59, Contrast::ratio($white, Contrast::luminance('#0000FF')), 0.005);
        self::assertEqualsWithDelta(4.5, Contrast::LEAST, 1e-9, 'WCAG 2.2, 1.4.3');
    }

    /** @return iterable<array{float, float}> */
    public static function lights(): iterable
    {
        for ($dark = 0; $dark <= 10; ++$dark) {
            for ($bright = $dark; $bright <= 10; ++$bright) {
                yield [$dark / 10, $bright / 10];
            }
        }
    }

    /** WCAG 2.2, 1.4.3: at 4.5:1, against the ground itself, a plate on it, or the edge that touches the letters. */
    #[DataProvider('lights')]
    public function testWordsStandClearOfEveryGroundHoweverTheyAreToLook(float $dark, float $bright): void
    {
        foreach (Backing::cases() as $backing) {
            foreach ([null, '#ffffff', '#20242b', '#757575', '#c0392b', '#ffd34d', '#2f3f7f'] as $colour) {
                $look = new WordsLook(colour: $colour, backing: $backing);
                $standing = Legibility::standing($look, $dark, $bright);
                $said = json_encode([$look->toArray(), $standing], \JSON_THROW_ON_ERROR);
                $ink = Contrast::luminance($standing->colour);
                self::assertSame(strtolower($colour ?? $standing->colour), strtolower($standing->colour), 'it is the colour that was told');
                null === $standing->plate || self::assertContains($backing, [Backing::Auto, Backing::Plate], $said);
                if (null !== $standing->edge) {
                    self::assertGreaterThanOrEqual(Contrast::LEAST, Contrast::ratio($ink, Contrast::luminance($standing->edge)), $said);
                    continue;
                }
                $plate = Contrast::component(Contrast::luminance($standing->plate ?? '#000000'));
                $grounds = array_map(
                    static fn(float $ground): float => Contrast::linear(
                        $plate * $standing->opacity + Contrast::component($ground) * (1 - $standing->opacity),
                    ),
                    [$dark, $bright],
                );
                foreach ($grounds as $ground) {
                    self::assertGreaterThanOrEqual(Contrast::LEAST, Contrast::ratio($ink, $ground), $said);
                }
                self::assertTrue($ink < min($grounds) || $ink > max($grounds), $said);
            }
        }
    }

    public function testWhatIsAskedForIsDoneAndMoreOnlyWhereItCouldNotBeRead(): void
    {
        $on = static fn(Backing $backing, float $dark, float $bright): Standing => Legibility::standing(
            new WordsLook(backing: $backing),
            $dark,
            $bright,
        );
        self::assertEquals(new Standing(Legibility::LIGHT), $on(Backing::Auto, 0.0, 0.1), 'no plate where the picture is dark enough');
        self::assertEquals(new Standing(Legibility::DARK), $on(Backing::Auto, 0.5, 1.0), 'nor where it is bright enough');
        self::assertSame(Legibility::DARK, $on(Backing::Auto, 0.0, 1.0)->plate);
        self::assertSame(0.6, $on(Backing::Plate, 0.0, 0.1)->opacity, 'a plate that was asked for is seen');
        self::assertSame(Legibility::DARK, $on(Backing::Outline, 0.0, 0.1)->edge);
        self::assertSame([null, Legibility::DARK], [$on(Backing::Shadow, 0.0, 0.1)->edge, $on(Backing::Shadow, 0.0, 0.1)->shadow]);
        self::assertSame(Legibility::DARK, $on(Backing::Shadow, 0.0, 1.0)->edge, 'a shadow alone would not do');
        self::assertEquals(new Standing(Legibility::LIGHT), $on(Backing::None, 0.0, 0.1));
        self::assertSame(Legibility::DARK, $on(Backing::None, 0.0, 1.0)->edge, 'bare words that could not be read get an edge');
    }

    public function testWordsAreAsLargeAsIsToldWhereThereIsRoom(): void
    {
        $set = new Typesetter(new EvenWidths(), Shape::Wide);
        foreach (WordsSize::cases() as $size) {
            $look = new WordsLook($size, Face::Reading);
            $block = $set->onPicture(new Writing('Low water'), Spot::Bottom, [], null, null, $look);
            self::assertSame([(float) $size->pixels(), Face::Reading], [$block->lines[0]->size, $block->lines[0]->type->face]);
            [$title] = $set->headings()->title('Low water', '', $look);
            self::assertSame([(float) $size->pixels(), Face::Reading], [$title->lines[0]->size, $title->lines[0]->type->face]);
        }
        $crowded = $set->onPicture(new Writing(str_repeat('Water and wood ', 20)), Spot::Left, [], null, null, new WordsLook(WordsSize::Largest));
        self::assertLessThan(72.0, $crowded->lines[0]->size, 'never out of the safe area');
        // 14 pixels in a film of 360 lines (common practice).
        self::assertGreaterThanOrEqual(14.0, WordsSize::Smallest->pixels() * 360 / TextBlock::SHORTER);
    }

    public function testWordsStandAtTheirSpotAndLeaveThePictureItsMiddle(): void
    {
        foreach (Shape::cases() as $shape) {
            foreach (Spot::cases() as $spot) {
                $text = 'Twice a day the sea goes out and comes back again';
                $area = (new Typesetter(new EvenWidths(), $shape))->onPicture(new Writing($text), $spot, [], null, null)->area();
                $middle = [$area->x + $area->width / 2, $area->y + $area->height / 2];
                foreach ([$spot->across(), $spot->down()] as $i => $side) {
                    0 === $side
                        ? self::assertEqualsWithDelta(0.5, $middle[$i], 0.03, "{$shape->value} {$spot->value}")
                        : self::assertGreaterThan(0.1, $side * ($middle[$i] - 0.5), "{$shape->value} {$spot->value}");
                }
                if (0 !== $spot->across()) {
                    self::assertLessThan(0.56, $area->width);
                }
            }
        }
    }

    public function testAColourIsToldInSixDigits(): void
    {
        self::assertSame('#c0392b', WordsLook::read(Fields::of(['colour' => '#C0392B']))->colour);
        self::assertSame([], WordsLook::read(Fields::of(['colour' => null, 'size' => null, 'face' => null]))->toArray());
        foreach (['red', '#fff', 'url(#a)', '#12345g'] as $colour) {
            try {
                WordsLook::read(Fields::of(['colour' => $colour]));
                self::fail($colour);
            } catch (Malformed $problem) {
                self::assertSame('document.no-colour', $problem->said->code);
            }
        }
    }

    public function testAPaleTitleGetsAnEdgeOnPaper(): void
    {
        $set = new Typesetter(new EvenWidths(), Shape::Wide);
        [$pale] = $set->headings()->title('Low water', '', new WordsLook(colour: '#ffd34d'));
        [$deep] = $set->headings()->title('Low water', '', new WordsLook(colour: '#2f3f7f'));
        self::assertNotNull($pale->lines[0]->edge);
        self::assertNull($deep->lines[0]->edge);
    }

    public function testLinesAreEvenAndKeepTheWritersBreaks(): void
    {
        $breaker = new LineBreaker(new EvenWidths());

        self::assertSame(['one two', 'three four'], $breaker->lines('one two three four', new Type(Face::Plain), 7));
        self::assertSame(['one', 'two'], $breaker->lines("one\ntwo", new Type(Face::Plain), 100));
        self::assertSame(['aaaa', 'aaaa'], $breaker->lines('aaaaaaaa', new Type(Face::Plain), 2.5), 'a word without places to break is cut');
    }

    /** UAX #14: Chinese breaks between characters, but not before a full stop. */
    public function testLanguagesWithoutSpacesBreakWhereUnicodeAllows(): void
    {
        $lines = (new LineBreaker(new EvenWidths(), 'zh'))->lines('潮水每天来两次。', new Type(Face::Plain), 2);

        self::assertSame('潮水每天来两次。', implode('', $lines));
        foreach ($lines as $line) {
            self::assertLessThanOrEqual(4, mb_strlen($line));
            self::assertStringStartsNotWith('。', $line);
        }
    }

    /** @return iterable<string, array{string, Spot, Shape}> */
    public static function captions(): iterable
    {
        foreach (Shape::cases() as $shape) {
            foreach (Spot::cases() as $place) {
                foreach (['Short', str_repeat('Water and wood ', 8), str_repeat('x', 300), "a\nb\nc\nd\ne\nf\ng"] as $text) {
                    yield $shape->value . $place->value . mb_substr($text, 0, 8) . \strlen($text) => [$text, $place, $shape];
                }
            }
        }
    }

    /** EBU R 95: the graphics safe area is 5 % of each side away from the edge. */
    #[DataProvider('captions')]
    public function testACaptionNeverLeavesTheSafeArea(string $text, Spot $place, Shape $shape): void
    {
        $block = (new Typesetter(new EvenWidths(), $shape))->onPicture(new Writing($text), $place, [], null, null);
        self::assertNotEmpty($block->lines);
        foreach ($block->lines as $line) {
            self::assertGreaterThanOrEqual(0.05 * $block->width - 0.01, $line->left());
            self::assertLessThanOrEqual(0.95 * $block->width + 0.01, $line->left() + $line->width);
            self::assertGreaterThanOrEqual(0.05 * $block->height - 0.01, $line->y);
            self::assertLessThanOrEqual(0.95 * $block->height + 0.01, $line->y + $line->size * 1.28);
        }
        self::assertSame(
            str_replace(["\n", ' '], '', $text),
            str_replace(' ', '', implode('', array_map(static fn($l): string => $l->text, $block->lines))),
            'nothing is cut off',
        );
    }

    public function testTheLightIsLookedUpWhereTheWordsLieDuringTheWholeMove(): void
    {
        $seen = new class implements LightUnder {
            public ?Frame $asked = null;

            public function under(Frame $part): array
            {
                $this->asked = $part;

                return [0.0, 0.0];
            }
        };
        $move = Move::between(Frame::all(), new Frame(0.25, 0.25, 0.5, 0.5));
        (new Typesetter(new EvenWidths(), Shape::Wide))->onPicture(new Writing('Hello'), Spot::Bottom, [], $move, $seen);

        self::assertNotNull($seen->asked);
        self::assertLessThan(0.75, $seen->asked->y, 'where the words are when the slide closes');
        self::assertGreaterThan(0.9, $seen->asked->y + $seen->asked->height, 'where they are when it opens');
    }

    public function testALightMapAnswersForTheCellsThatAPartTouches(): void
    {
        $cells = str_repeat("\x40\x80", LightMap::COLUMNS * LightMap::ROWS);
        $cells[1] = "\xFF";
        $map = new LightMap($cells);

        self::assertEqualsWithDelta(1.0, $map->under(new Frame(0, 0, 0.01, 0.01))[1], 1e-9);
        self::assertEqualsWithDelta(Contrast::linear(0x80 / 255), $map->under(new Frame(0.5, 0.5, 0.3, 0.3))[1], 1e-9);
    }
}
