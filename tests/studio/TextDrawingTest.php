<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\WordsSize;
use Rhapsode\Core\Words\Writing;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Words\FontWidths;
use Rhapsode\Studio\Words\TextDrawing;

final class TextDrawingTest extends TestCase
{
    private static function caption(string $text, Spot $place = Spot::Bottom, WordsLook $look = new WordsLook()): TextBlock
    {
        return (new Typesetter(new FontWidths(), Shape::Wide))->onPicture(new Writing($text), $place, [], null, null, $look);
    }

    /** @return array{int, int, int, int} left, top, right, bottom of what is drawn lighter than the plate */
    private static function ink(TextBlock $block): array
    {
        $scratch = new Scratch();
        (new TextDrawing())->paint($block, $scratch->path('w.png'), 720);
        $image = new \Imagick($scratch->path('w.png'));
        self::assertSame([1280, 720], [$image->getImageWidth(), $image->getImageHeight()]);
        $image->setImageBackgroundColor('#20242B');
        $flat = $image->mergeImageLayers(\Imagick::LAYERMETHOD_FLATTEN);
        $pixels = $flat->exportImagePixels(0, 0, 1280, 720, 'I', \Imagick::PIXEL_CHAR);
        $box = [1280, 720, 0, 0];
        foreach ($pixels as $i => $light) {
            if ($light > 110) {
                $x = $i % 1280;
                $y = intdiv($i, 1280);
                $box = [min($box[0], $x), min($box[1], $y), max($box[2], $x), max($box[3], $y)];
            }
        }

        return $box;
    }

    /** @return iterable<string, array{string}> */
    public static function texts(): iterable
    {
        yield 'English' => ['The tide mill turns twice a day, and nobody asks it to.'];
        yield 'narrow and wide' => ['illicit lilt WWWWWWMMMMMM @@@@'];
        yield 'German' => ['Größe, Straße, Flüsse: „Übermut“'];
        yield 'Polish' => ['Zażółć gęślą jaźń nad Wisłą'];
        yield 'Greek' => ['Η παλίρροια γυρίζει τον μύλο'];
        yield 'Russian' => ['Мельница вращается дважды в день'];
        yield 'Arabic' => ['تدور الطاحونة مرتين كل يوم مع المد والجزر'];
        yield 'Hebrew' => ['הטחנה מסתובבת פעמיים ביום'];
        yield 'Hindi' => ['ज्वार की चक्की दिन में दो बार घूमती है'];
        yield 'Chinese' => ['潮汐磨坊每天转动两次，没有人要求它这样做。'];
        yield 'Thai' => ['กังหันน้ำหมุนวันละสองครั้ง'];
        yield 'emoji' => ['🌊🌊🌊 🌕 👩‍🌾 🇺🇳'];
        yield 'odd' => ["It's 100% %d %{x} \\n <b>&amp;</b> 'q' \"q\""];
        yield 'long' => [str_repeat('Nine miles of water and wood. ', 9)];
    }

    /** Whatever the script, what is drawn stays on the plate that core measured for it, and so within the safe area. */
    #[DataProvider('texts')]
    public function testWhatIsDrawnStaysWhereItWasMeasured(string $text): void
    {
        foreach ([Spot::Bottom, Spot::TopLeft, Spot::Right] as $place) {
            $block = self::caption($text, $place);
            [$plate] = $block->plates;
            [$left, $top, $right, $bottom] = self::ink($block);

            self::assertLessThan($right, $left, 'something is drawn');
            self::assertGreaterThanOrEqual($plate->x, $left);
            self::assertLessThanOrEqual($plate->x + $plate->width, $right);
            self::assertGreaterThanOrEqual($plate->y, $top);
            self::assertLessThanOrEqual($plate->y + $plate->height, $bottom);
        }
    }

    /** Each face is drawn in its own letters, as wide as core has it measured: none falls back to another. */
    public function testEveryFaceAndWeightIsDrawnInItsOwnLetters(): void
    {
        $drawn = [];
        foreach (Face::cases() as $face) {
            foreach ($face->weights() as $weight) {
                $block = self::caption('Harbour gates 1827', Spot::Middle, new WordsLook(WordsSize::Large, $face, backing: Backing::None, weight: $weight));
                [$line] = $block->lines;
                [$left, , $right] = self::ink($block);
                // Without what letters have of air at the ends; kerning makes lines a little narrower.
                self::assertEqualsWithDelta($line->width, $right - $left, 0.04 * $line->width, "{$face->value} {$weight->value}");
                $drawn[] = round($line->width);
            }
        }
        self::assertCount(13, $drawn);
        self::assertGreaterThanOrEqual(11, \count(array_unique($drawn)), 'and they differ, but for the two of a typewriter and one by chance');
    }

    public function testWordsAtASideBeginOrEndInOneLine(): void
    {
        [$left] = self::ink(self::caption('Low water', Spot::Left));
        [, , $right] = self::ink(self::caption('Low water', Spot::BottomRight));
        // 5 % of the slide, and as much air as a plate has.
        self::assertEqualsWithDelta(64 + 20, $left, 4);
        self::assertEqualsWithDelta(1216 - 20, $right, 4);
    }

    /** What lies under touches no letter: an edge of a colour that stands clear of theirs goes all about them. */
    #[DataProvider('faces')]
    public function testAnEdgeGoesAboutEveryLetter(Face $face, string $colour): void
    {
        $scratch = new Scratch();
        $look = new WordsLook(WordsSize::Large, $face, $colour, Backing::Outline);
        (new TextDrawing())->paint($block = self::caption('Gates & sluices, 27 of them', look: $look), $scratch->path('w.png'), 720);
        $pixels = (new \Imagick($scratch->path('w.png')))->exportImagePixels(0, 0, 1280, 720, 'RGBA', \Imagick::PIXEL_CHAR);
        [$red, $green, $blue] = array_map(static fn(int $at): int => (int) hexdec(substr($colour, $at, 2)), [1, 3, 5]);
        $isLetter = static fn(int $at): bool => $pixels[$at + 3] > 250 && abs($pixels[$at] - $red) + abs($pixels[$at + 1] - $green)
            + abs($pixels[$at + 2] - $blue) < 24;
        $met = 0;
        for ($i = 0, $end = \count($pixels) - 12; $i < $end; $i += 4) {
            if ($isLetter($i) && !$isLetter($i + 4)) {
                ++$met;
                self::assertGreaterThan(200, min($pixels[$i + 7], $pixels[$i + 11]), 'beside a letter the ground is seen');
            }
        }
        self::assertGreaterThan(500, $met);
        self::assertNotNull($block->lines[0]->edge);
    }

    /** @return iterable<string, array{Face, string}> */
    public static function faces(): iterable
    {
        yield 'reading, white' => [Face::Reading, '#ffffff'];
        yield 'plain, ink' => [Face::Plain, '#20242b'];
        yield 'plain, red' => [Face::Plain, '#c0392b'];
    }

    public function testAShadowLiesAboutTheLettersAndIsSoft(): void
    {
        $look = static fn(Backing $backing): WordsLook => new WordsLook(WordsSize::Large, backing: $backing);
        $dark = new class implements LightUnder {
            public function under(Frame $part): array
            {
                return [0.0, 0.02];
            }
        };
        $seen = static function (Backing $backing) use ($look, $dark): array {
            $scratch = new Scratch();
            $block = (new Typesetter(new FontWidths(), Shape::Wide))
                ->onPicture(new Writing('Low water'), Spot::Middle, [], Move::between(Frame::all(), Frame::all()), $dark, $look($backing));
            (new TextDrawing())->paint($block, $scratch->path('w.png'), 720);
            $alpha = (new \Imagick($scratch->path('w.png')))->exportImagePixels(0, 0, 1280, 720, 'A', \Imagick::PIXEL_CHAR);
            $soft = \count(array_filter($alpha, static fn(int $a): bool => $a > 10 && $a < 245));

            return [\count(array_filter($alpha, static fn(int $a): bool => $a > 10)), $soft];
        };
        [[$bare, $bareSoft], [$shaded, $soft]] = [$seen(Backing::None), $seen(Backing::Shadow)];
        self::assertGreaterThan(1.5 * $bare, $shaded);
        self::assertGreaterThan(3 * $bareSoft, $soft);
    }

    /** For the faces' own scripts the measure is close, not only a bound. */
    public function testLatinWidthsAreThoseDrawn(): void
    {
        $block = self::caption('The tide mill turns twice a day');
        [$left, , $right] = self::ink($block);

        self::assertEqualsWithDelta($block->lines[0]->width, $right - $left, 0.04 * $block->lines[0]->width);
    }

    public function testEmojiComeInTheirColours(): void
    {
        $scratch = new Scratch();
        (new TextDrawing())->paint(self::caption('Sea 🌊 100 % <b>'), $scratch->path('w.png'), 720);
        $pixels = (new \Imagick($scratch->path('w.png')))->exportImagePixels(0, 0, 1280, 720, 'RGB', \Imagick::PIXEL_CHAR);
        $blue = 0;
        for ($i = 0, $n = \count($pixels); $i < $n; $i += 3) {
            $blue += $pixels[$i + 2] > 150 && $pixels[$i] < 90 ? 1 : 0;
        }

        self::assertGreaterThan(100, $blue, 'the wave is blue');
    }

    public function testTextIsTextAndNeverMarkup(): void
    {
        $svg = (new TextDrawing())->svg(self::caption('</text><image href="file:///etc/passwd"/> & "x"'));

        self::assertStringNotContainsString('<image', $svg);
        self::assertNotFalse(simplexml_load_string($svg));
    }

    /** A face that lacks a script must not leave boxes: the same box for different characters would give the same drawing. */
    public function testDifferentCharactersOfEveryScriptLookDifferent(): void
    {
        foreach (['اب', 'कख', '中文', 'אב', 'กข', '🌊🌕', 'Жы', 'ψω'] as $pair) {
            [$a, $b] = mb_str_split($pair);
            $scratch = new Scratch();
            (new TextDrawing())->paint(self::caption($a), $scratch->path('a.png'), 720);
            (new TextDrawing())->paint(self::caption($b), $scratch->path('b.png'), 720);
            self::assertNotSame(
                (new \Imagick($scratch->path('a.png')))->getImageSignature(),
                (new \Imagick($scratch->path('b.png')))->getImageSignature(),
                $pair,
            );
        }
    }
}
