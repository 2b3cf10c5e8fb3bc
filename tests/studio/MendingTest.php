<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Look;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Tone;
use Rhapsode\Studio\Prepare\LevelsOf;
use Rhapsode\Studio\Prepare\Mending;
use Rhapsode\Studio\Prepare\VipsImage;
use Rhapsode\Studio\Tool\Scratch;

/** Renditions by recipe are held to core's arithmetic, and to ImageMagick where a picture is turned by less than a quarter. */
final class MendingTest extends TestCase
{
    private Scratch $scratch;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
    }

    /** @return iterable<string, array{Tone, Levels|null}> */
    public static function tones(): iterable
    {
        yield 'clear' => [new Tone(clear: true, contrast: 10), new Levels([30, 20, 60], [220, 200, 150], 70)];
        yield 'all at once' => [new Tone(light: 30, contrast: 25, warmth: -60, colour: 40), null];
        foreach (Look::cases() as $look) {
            yield $look->value => [new Tone(look: $look, strength: 80), null];
        }
    }

    #[DataProvider('tones')]
    public function testARenditionIsWhatCoreSays(Tone $tone, ?Levels $levels): void
    {
        $tables = ColourTables::of($tone, $levels);
        $pixels = '';
        foreach (range(0, 255, 5) as $red) {
            foreach (range(0, 255, 5) as $green) {
                foreach (range(0, 255, 5) as $blue) {
                    $pixels .= \chr($red) . \chr($green) . \chr($blue);
                }
            }
        }
        $made = VipsImage::ofPixels($pixels, 52 * 52, 52)->coloured($tables)->pixels();
        self::assertSame(\strlen($pixels), \strlen($made));
        $over = 0;
        for ($i = 0, $end = \strlen($pixels); $i < $end; $i += 3) {
            foreach ($tables->exact(\ord($pixels[$i]), \ord($pixels[$i + 1]), \ord($pixels[$i + 2])) as $channel => $wanted) {
                $over += abs(\ord($made[$i + $channel]) - $wanted) > 2 ? 1 : 0;
            }
        }
        self::assertLessThan(0.01 * \strlen($pixels), $over);
    }

    /** A picture of four quarters: red, green below red, blue, white. */
    private function quarters(int $width = 800, int $height = 600): string
    {
        $image = new \Imagick();
        $image->newImage($width, $height, 'white', 'jpeg');
        foreach (['red' => [0, 0], 'lime' => [0, 1], 'blue' => [1, 0]] as $colour => [$right, $down]) {
            $draw = new \ImagickDraw();
            $draw->setFillColor($colour);
            [$x, $y] = [$right * $width / 2, $down * $height / 2];
            $draw->rectangle($x, $y, $x + $width / 2 - 1, $y + $height / 2 - 1);
            $image->drawImage($draw);
        }
        $image->setImageCompressionQuality(97);
        $image->writeImage($this->scratch->path('quarters.jpg'));

        return $this->scratch->path('quarters.jpg');
    }

    private static function colourAt(VipsImage $image, float $x, float $y): string
    {
        $at = 3 * ((int) ($y * $image->height()) * $image->width() + (int) ($x * $image->width()));
        [$red, $green, $blue] = array_map(static fn(string $byte): bool => \ord($byte) > 128, str_split(substr($image->pixels(), $at, 3)));

        return match ([$red, $green, $blue]) {
            [true, true, true] => 'white',
            [true, false, false] => 'red',
            [false, true, false] => 'lime',
            [false, false, true] => 'blue',
            default => 'another',
        };
    }

    public function testTurnedThenCropped(): void
    {
        $path = $this->quarters();
        $turned = Mending::follow(new Recipe(90), $path, 500);
        self::assertSame([375, 500], [$turned->width(), $turned->height()]);
        self::assertSame(['lime', 'red', 'white', 'blue'], [
            self::colourAt(
                $turned,
                0.25,
                0.25,
            ), self::colourAt($turned, 0.75, 0.25), self::colourAt($turned, 0.25, 0.75), self::colourAt($turned, 0.75, 0.75),
        ]);
        $cropped = Mending::follow(new Recipe(90, 0.0, new Frame(0.5, 0.0, 0.5, 0.5)), $path, 300);
        self::assertSame([300, 400], [$cropped->width() * 300 / 225, $cropped->height() * 400 / 300]);
        foreach ([[0.02, 0.02], [0.98, 0.98], [0.5, 0.5]] as [$x, $y]) {
            self::assertSame('red', self::colourAt($cropped, $x, $y));
        }
        self::assertSame([400, 300], [($small = Mending::follow(new Recipe(180), $path, 400))->width(), $small->height()]);
    }

    /** Clockwise, about the middle, nothing of the ground in a corner: as ImageMagick does it. */
    #[DataProvider('degrees')]
    public function testStraightened(float $degrees): void
    {
        $path = $this->quarters();
        $made = Mending::follow(new Recipe(0, $degrees), $path, 400);
        self::assertSame([400, 300], [$made->width(), $made->height()]);
        $image = new \Imagick($path);
        $image->setImageVirtualPixelMethod(\Imagick::VIRTUALPIXELMETHOD_EDGE);
        $share = (new Recipe(0, $degrees))->inside(4 / 3);
        // Scaled so that what is kept fills 400 pixels.
        $image->distortImage(\Imagick::DISTORTION_SCALEROTATETRANSLATE, [400, 300, 400 / (800 * $share), $degrees, 400, 300], false);
        $image->cropImage(400, 300, 200, 150);
        $wanted = $image->exportImagePixels(0, 0, 400, 300, 'RGB', \Imagick::PIXEL_CHAR);
        $pixels = $made->pixels();
        $sum = 0;
        foreach ($wanted as $i => $value) {
            $sum += abs($value - \ord($pixels[$i]));
        }
        self::assertLessThan(2.0, $sum / \count($wanted));
    }

    /** @return iterable<array{float}> */
    public static function degrees(): iterable
    {
        yield [4.0];
        yield [-11.5];
        yield [15.0];
    }

    public function testOneThatIsGreyIsMendedToo(): void
    {
        $image = new \Imagick();
        $image->newPseudoImage(300, 200, 'gradient:#202020-#a0a0a0');
        $image->transformImageColorspace(\Imagick::COLORSPACE_GRAY);
        $image->writeImage('jpeg:' . $this->scratch->path('grey.jpg'));
        $levels = LevelsOf::pixels(VipsImage::ofJpeg($this->scratch->path('grey.jpg'))->pixels());
        self::assertEqualsWithDelta([0x20, 0xA0, 0x60], [$levels->low[0], $levels->high[2], $levels->middle], 6);
        $made = Mending::follow(new Recipe(tone: new Tone(clear: true, look: Look::Tea)), $this->scratch->path('grey.jpg'), 200, $levels);
        self::assertSame(3 * 200 * 133, \strlen($made->pixels()));
        [$red, , $blue] = array_map(\ord(...), str_split(substr($made->pixels(), 3 * 200 * 60, 3)));
        self::assertGreaterThan($blue, $red);
    }

    /** Marked in the upright original, an eye is mended however the picture is turned and cropped; an unmarked one is not. */
    public function testAMarkedEyeIsMendedAndNoOther(): void
    {
        $pixels = '';
        for ($y = 0; $y < 300; ++$y) {
            for ($x = 0; $x < 400; ++$x) {
                $isRed = min(hypot($x - 100, $y - 150), hypot($x - 300, $y - 150)) < 9;
                $pixels .= $isRed ? "\xD0\x26\x28" : "\xD0\xA0\x80";
            }
        }
        VipsImage::ofPixels($pixels, 400, 300)->writeJpeg($this->scratch->path('flash.jpg'), 98);
        $mark = new Frame(0.2, 0.43, 0.1, 0.14);
        $redness = static function (VipsImage $image, float $x, float $y): int {
            $at = 3 * ((int) ($y * $image->height()) * $image->width() + (int) ($x * $image->width()));
            $bytes = $image->pixels();

            return \ord($bytes[$at]) - \ord($bytes[$at + 1]);
        };
        $as = fn(Recipe $recipe): VipsImage => Mending::follow($recipe, $this->scratch->path('flash.jpg'), 400);

        self::assertGreaterThan(120, $redness($as(new Recipe()), 0.25, 0.5));
        self::assertLessThan(20, abs($redness($as(new Recipe(eyes: [$mark])), 0.25, 0.5)));
        self::assertGreaterThan(120, $redness($as(new Recipe(eyes: [$mark])), 0.75, 0.5), 'the other is not marked');
        self::assertLessThan(20, abs($redness($as(new Recipe(90, eyes: [$mark])), 0.5, 0.25)));
        self::assertLessThan(20, abs($redness($as(new Recipe(0, 0.0, new Frame(0.0, 0.25, 0.5, 0.5), new Tone(), [$mark])), 0.5, 0.5)));
        self::assertSame(
            $as(new Recipe())->pixels(),
            $as(new Recipe(eyes: [new Frame(0.45, 0.1, 0.1, 0.1)]))->pixels(),
            'a mark on skin changes nothing',
        );
    }
}
