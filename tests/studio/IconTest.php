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

    /** In the film's own pixels: a picture of the story's own, through whose transparent parts the slide's is seen. */
    public function testWhatIsBehindACutOutPictureIsSeenInTheFilm(): void
    {
        $scratch = new Scratch();
        $folder = $scratch->path('story');
        mkdir($folder);
        Media::picture("{$folder}/p.jpg", 'xc:#0000C0', 1280, 720);
        $disc = new \Imagick();
        $disc->newImage(400, 400, 'transparent');
        $draw = new \ImagickDraw();
        $draw->setFillColor('#c00000');
        $draw->circle(200, 200, 200, 20);
        $disc->drawImage($draw);
        $disc->writeImage("png:{$folder}/disc.png");
        $asset = static fn(string $file, int $width, int $height): array => ['kind' => 'picture', 'file' => $file, 'width' => $width, 'height' => $height];
        file_put_contents("{$folder}/story.json", json_encode([
            'version' => 2, 'title' => 'Cut out', 'credits' => false,
            'assets' => ['p' => $asset('p.jpg', 1280, 720), 'd' => ['transparent' => true, ...$asset('disc.png', 400, 400)]],
            'slides' => [['id' => 'a', 'stay' => 2, 'layers' => [
                ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p', 'framing' => ['motion' => 'still']],
                ['id' => 'disc', 'kind' => 'icon', 'asset' => 'd', 'at' => ['x' => 0.5, 'y' => 0.5], 'size' => 0.5],
            ]]],
        ], \JSON_THROW_ON_ERROR));
        $film = $scratch->path('film.mp4');
        Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $film, '--size', 'small'],
            120,
            20_000,
        );
        $pixels = Media::frame($film, 30, 640, 360);
        $at = static fn(int $x, int $y): array => \array_slice($pixels, 3 * (640 * $y + $x), 3);
        // Half of the height: from 230 to 410, from 90 to 270.
        foreach ([['the middle', 320, 180, 192, 0], ['within its edge', 320, 112, 192, 0], ['a corner of its box', 236, 96, 0, 192], ['beyond it', 100, 180, 0, 192]] as [$where, $x, $y, $red, $blue]) {
            [$r, , $b] = $at($x, $y);
            self::assertEqualsWithDelta([$red, $blue], [$r, $b], 24, $where);
        }
    }
}
