<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Legibility;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\LineBreaker;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WordsPlace;

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

    #[DataProvider('lights')]
    public function testWordsStandClearOfEveryGround(float $dark, float $bright): void
    {
        [$colour, $plate] = Legibility::choose($dark, $bright);
        $ink = Contrast::luminance($colour);
        $under = Contrast::component(Contrast::luminance(Legibility::DARK));
        foreach ([$dark, $bright] as $ground) {
            $mixed = Contrast::linear($under * $plate + Contrast::component($ground) * (1 - $plate));
            self::assertGreaterThanOrEqual(Contrast::LEAST, Contrast::ratio($ink, $plate > 0 ? $mixed : $ground));
        }
    }

    public function testNoPlateWhereThePictureIsDarkEnough(): void
    {
        self::assertSame([Legibility::LIGHT, 0.0], Legibility::choose(0.0, 0.1));
        self::assertSame([Legibility::DARK, 0.0], Legibility::choose(0.5, 1.0));
    }

    public function testLinesAreEvenAndKeepTheWritersBreaks(): void
    {
        $breaker = new LineBreaker(new EvenWidths());

        self::assertSame(['one two', 'three four'], $breaker->lines('one two three four', Face::Plain, 7));
        self::assertSame(['one', 'two'], $breaker->lines("one\ntwo", Face::Plain, 100));
        self::assertSame(['aaaa', 'aaaa'], $breaker->lines('aaaaaaaa', Face::Plain, 2.5), 'a word without places to break is cut');
    }

    /** UAX #14: Chinese breaks between characters, but not before a full stop. */
    public function testLanguagesWithoutSpacesBreakWhereUnicodeAllows(): void
    {
        $lines = (new LineBreaker(new EvenWidths(), 'zh'))->lines('潮水每天来两次。', Face::Plain, 2);

        self::assertSame('潮水每天来两次。', implode('', $lines));
        foreach ($lines as $line) {
            self::assertLessThanOrEqual(4, mb_strlen($line));
            self::assertStringStartsNotWith('。', $line);
        }
    }

    /** @return iterable<string, array{string, WordsPlace, Shape}> */
    public static function captions(): iterable
    {
        foreach (Shape::cases() as $shape) {
            foreach (WordsPlace::cases() as $place) {
                foreach (['Short', str_repeat('Water and wood ', 8), str_repeat('x', 300), "a\nb\nc\nd\ne\nf\ng"] as $text) {
                    yield $shape->value . $place->value . mb_substr($text, 0, 8) . \strlen($text) => [$text, $place, $shape];
                }
            }
        }
    }

    /** EBU R 95: the graphics safe area is 5 % of each side away from the edge. */
    #[DataProvider('captions')]
    public function testACaptionNeverLeavesTheSafeArea(string $text, WordsPlace $place, Shape $shape): void
    {
        $block = (new Typesetter(new EvenWidths(), $shape))->caption($text, $place, null, null);
        self::assertNotEmpty($block->lines);
        foreach ($block->lines as $line) {
            self::assertGreaterThanOrEqual(0.05 * $block->width - 0.01, $line->x - $line->width / 2);
            self::assertLessThanOrEqual(0.95 * $block->width + 0.01, $line->x + $line->width / 2);
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
        (new Typesetter(new EvenWidths(), Shape::Wide))->caption('Hello', WordsPlace::Bottom, $move, $seen);

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
