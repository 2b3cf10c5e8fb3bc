<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Layer\Icon\Tint;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Studio\Icon\IconDrawings;
use Rhapsode\Studio\Icon\IconSearch;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** The open set of icons: found by words of many languages, drawn, safe to serve. */
final class IconTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> words, their language, and what must be among the first five */
    public static function words(): iterable
    {
        yield 'English' => ['boat', 'en', 'sailboat'];
        yield 'two words' => ['sail boat', 'en', 'sailboat'];
        yield 'the beginning of one' => ['butterf', 'en', 'butterfly'];
        yield 'German' => ['Segelboot', 'de', 'sailboat'];
        yield 'a kind of German' => ['Segelboot', 'de-AT', 'sailboat'];
        yield 'French, with an accent that is put together' => ["e\u{301}toile", 'fr', 'star'];
        yield 'Hindi' => ['घर', 'hi', 'house'];
        yield 'Thai' => ['ปลา', 'th', 'fish'];
        yield 'Japanese, within a word' => ['魚', 'ja', 'fish'];
        yield 'English where the set lacks the language' => ['moon', 'sw', 'crescent-moon'];
        yield 'English beside another language' => ['moon', 'de', 'crescent-moon'];
    }

    #[DataProvider('words')]
    public function testItIsFoundByWords(string $words, string $language, string $name): void
    {
        $found = array_column(IconSearch::find($words, $language, 12), 'name');
        self::assertContains($name, $found, implode(', ', $found));
    }

    public function testItIsCalledByItsNameInTheLanguage(): void
    {
        self::assertSame('Segelboot', IconSearch::find('segelboot', 'de', 1)[0]['label']);
    }

    public function testBeforeAnythingIsAskedForThereIsSomethingAndForNonsenseNothing(): void
    {
        self::assertCount(32, IconSearch::find(' ', 'en', 48));
        self::assertSame([], IconSearch::find('xqzzyx', 'en', 48));
        self::assertSame([], IconSearch::find('../..', '../../etc/passwd', 0));
    }

    public function testEveryDrawingIsThereAndHoldsNothingThatActs(): void
    {
        $files = glob(IconDrawings::FOLDER . '/*.svg') ?: [];
        self::assertGreaterThan(1500, \count($files));
        foreach ($files as $file) {
            $svg = (string) file_get_contents($file);
            // No script, no event, nothing from elsewhere.
            self::assertDoesNotMatchRegularExpression('/<script|\son\w+=|(?:href|src)="(?!#)|<foreignObject|<image|url\((?!#)/i', $svg, $file);
        }
        self::assertNull(IconDrawings::svg('../make'));
        self::assertNull(IconDrawings::svg('no-such-icon'));
    }

    public function testItIsDrawnInItsOwnColoursAndInThoseOfAStyle(): void
    {
        $scratch = new Scratch();
        $mean = static function (?Tint $tint) use ($scratch): array {
            Tool::run(['rsvg-convert', '--format', 'png', '--width', '72', '--output', $scratch->path('i.png')], 30, 3000, (string) IconDrawings::svg('red-apple', $tint));
            $image = new \Imagick($scratch->path('i.png'));
            $colour = $image->getImagePixelColor(26, 44)->getColor();

            return [$colour['r'], $colour['g'], $colour['b']];
        };
        [$red, $green] = $mean(null);
        self::assertGreaterThan(2 * $green, $red, 'an apple is red');
        [$r, $g, $b] = $mean(Tint::of(StyleName::Lantern->scheme()));
        self::assertNotEquals([$red, $green], [$r, $g]);
        self::assertGreaterThan($b, $r, 'by the light of a lantern it is warm');
    }
}
