<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\WholePicture;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\Unreadable;

final class PicturePreparerTest extends TestCase
{
    private Scratch $scratch;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
    }

    /** A picture whose top left quarter is red and whose other quarters are blue, as it should be seen. */
    private static function marked(int $width = 400, int $height = 300): \Imagick
    {
        $image = new \Imagick();
        $image->newImage($width, $height, 'blue', 'jpeg');
        $draw = new \ImagickDraw();
        $draw->setFillColor('red');
        $draw->rectangle(0, 0, $width / 2 - 1, $height / 2 - 1);
        $image->drawImage($draw);
        $image->setImageCompressionQuality(95);

        return $image;
    }

    private function prepared(string $path): PreparedPicture
    {
        return (new PicturePreparer())->prepare($path, $this->scratch->folder);
    }

    /** @return array{float, float, float} 0 to 255 */
    private static function pixel(string $path, float $x, float $y): array
    {
        $image = new \Imagick($path);
        $colour = $image->getImagePixelColor((int) ($x * $image->getImageWidth()), (int) ($y * $image->getImageHeight()))->getColor();

        return [(float) $colour['r'], (float) $colour['g'], (float) $colour['b']];
    }

    /** @return iterable<string, array{int}> */
    public static function orientations(): iterable
    {
        foreach (range(1, 8) as $orientation) {
            yield "Exif orientation {$orientation}" => [$orientation];
        }
    }

    /** Exif 2.32, tag 0x0112: how a picture stored in each of the eight ways is to be turned to be upright. */
    #[DataProvider('orientations')]
    public function testAPictureIsTurnedUpright(int $orientation): void
    {
        $stored = self::marked();
        // The inverse of what the tag asks for.
        match ($orientation) {
            2 => $stored->flopImage(),
            3 => $stored->rotateImage('black', 180),
            4 => $stored->flipImage(),
            5 => $stored->transposeImage(),
            6 => $stored->rotateImage('black', -90),
            7 => $stored->transverseImage(),
            8 => $stored->rotateImage('black', 90),
            default => true,
        };
        $stored->setImagePage(0, 0, 0, 0);
        $path = $this->scratch->path('in.jpg');
        $stored->writeImage($path);
        Tool::run([
            'exiftool', '-q', '-overwrite_original', '-n', "-Orientation={$orientation}", '-GPSLatitude=51.5',
            '-GPSLatitudeRef=N', '-Model=Phone', $path,
        ]);

        $size = $this->prepared($path);

        self::assertSame([400, 300], [$size->width, $size->height]);
        [$r, , $b] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.25, 0.25);
        self::assertGreaterThan(200, $r - $b, 'red stands at the top left');
        [$r, , $b] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.75, 0.25);
        self::assertGreaterThan(200, $b - $r);
    }

    /** A large JPEG is read at half its size; what is told of it is its own size, upright (Exif orientation 6: on its side). */
    public function testALargePictureTellsItsOwnSizeUpright(): void
    {
        $path = $this->scratch->path('large.jpg');
        Tool::ffmpeg(
            ['-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=6400x4000', '-frames:v', '1', '-q:v', '4', '-f', 'image2', $path],
            60,
        );
        Tool::run(['exiftool', '-q', '-overwrite_original', '-n', '-Orientation=6', $path]);
        $prepared = (new PicturePreparer())->prepare($path, $this->scratch->folder);

        self::assertSame([4000, 6400], [$prepared->width, $prepared->height]);
        self::assertSame([1600, 2560], \array_slice(getimagesize($this->scratch->path(PreparedPicture::FULL)) ?: [], 0, 2));
    }

    public function testNothingButThePixelsIsKept(): void
    {
        $path = $this->scratch->path('in.jpg');
        self::marked()->writeImage($path);
        Tool::run([
            'exiftool', '-q', '-overwrite_original', '-GPSLatitude=51.5', '-GPSLatitudeRef=N', '-GPSLongitude=1',
            '-GPSLongitudeRef=W', '-Model=Phone', '-SerialNumber=123', '-XMP:Creator=Somebody', '-IPTC:City=Somewhere',
            '-Comment=home', $path,
        ]);
        $this->prepared($path);

        foreach ([PreparedPicture::MASTER, PreparedPicture::FULL, PreparedPicture::THUMB] as $file) {
            [$tags] = Tool::run(['exiftool', '-G', '-s', '-a', $this->scratch->path($file)]);
            // Nothing but what the file itself and its JPEG headers say of the picture's form.
            preg_match_all('/^\[(\w+)\]/m', $tags, $groups);
            self::assertSame([], array_values(array_diff(array_unique($groups[1]), ['ExifTool', 'File', 'JFIF', 'Composite'])));
            self::assertDoesNotMatchRegularExpression('/Phone|Somebody|Somewhere|home/', $tags);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (['jpeg', 'png', 'webp', 'gif', 'tiff', 'heic', 'avif'] as $kind) {
            yield $kind => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function testEveryKindIsReadByItsContent(string $kind): void
    {
        // The name says nothing, or lies.
        $path = $this->scratch->path('picture.txt');
        if ('heic' === $kind || 'avif' === $kind) {
            self::marked()->writeImage('png24:' . $this->scratch->path('in.png'));
            Tool::run(
                ['heif-enc', ...('avif' === $kind ? ['--avif'] : []), '-q', '90', '-o', $path, $this->scratch->path('in.png')],
                60,
                20_000,
            );
        } else {
            self::marked()->writeImage($kind . ':' . $path);
        }
        $size = $this->prepared($path);

        self::assertSame([400, 300], [$size->width, $size->height]);
        [$r, , $b] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.25, 0.25);
        self::assertGreaterThan(180, $r - $b);
    }

    public function testOnlyTheFirstFrameOfAnAnimationIsTaken(): void
    {
        $frames = new \Imagick();
        foreach (['red', 'lime'] as $colour) {
            $frame = new \Imagick();
            $frame->newImage(50, 50, $colour, 'gif');
            $frames->addImage($frame);
        }
        $frames->writeImages($this->scratch->path('a.gif'), true);
        $this->prepared($this->scratch->path('a.gif'));

        [$r, $g] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.5, 0.5);
        self::assertGreaterThan(200, $r - $g);
    }

    public function testCmykBecomesRgb(): void
    {
        $image = self::marked();
        $image->transformImageColorspace(\Imagick::COLORSPACE_CMYK);
        $image->writeImage($this->scratch->path('in.jpg'));
        $this->prepared($this->scratch->path('in.jpg'));

        $image = new \Imagick($this->scratch->path(PreparedPicture::FULL));
        self::assertSame(\Imagick::COLORSPACE_SRGB, $image->getImageColorspace());
        [$r, , $b] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.25, 0.25);
        self::assertGreaterThan(150, $r - $b);
    }

    /** ICC.1: a colour is what its profile says. The profile's red and green colorants are swapped, so red must become green. */
    public function testAColourProfileIsHeeded(): void
    {
        $profile = (string) file_get_contents(\dirname(__DIR__, 2) . '/studio/Prepare/srgb.icc');
        $swapped = strtr($profile, ['rXYZ' => 'gXYZ', 'gXYZ' => 'rXYZ']);
        $image = self::marked();
        $image->profileImage('icc', $swapped);
        $image->writeImage($this->scratch->path('in.jpg'));
        $this->prepared($this->scratch->path('in.jpg'));

        [$r, $g] = self::pixel($this->scratch->path(PreparedPicture::FULL), 0.25, 0.25);
        self::assertGreaterThan(150, $g - $r);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'nothing' => ['', 'file.empty'];
        yield 'a text' => ['Dear teacher, my picture is attached.', 'picture.unknown-kind'];
        yield 'a drawing that could fetch' => [
            '<svg xmlns="http://www.w3.org/2000/svg"><image href="file:///etc/passwd"/></svg>',
            'picture.unknown-kind',
        ];
        yield 'a script in disguise' => ["push graphic-context\nimage over 0,0 0,0 'https://example.org'", 'picture.unknown-kind'];
        yield 'half a picture' => ["\xFF\xD8\xFF\xE0\0\x10JFIF\0\x01\x01", 'picture.broken'];
        yield 'a broken HEIC' => ["\0\0\0\x18ftypheic\0\0\0\0mif1heic" . "\0\0\0\x10meta", 'picture.broken'];
        // PNG header that claims 60000 x 60000 pixels
        yield 'a bomb' => [
            "\x89PNG\r\n\x1A\n\0\0\0\rIHDR\0\0\xEA\x60\0\0\xEA\x60\x08\x02\0\0\0" . "\x5C\x99\x7B\x52" . "\0\0\0\0IDAT\x35\xAF\x06\x1E\0\0\0\0IEND\xAEB\x60\x82",
            '',
        ];
    }

    #[DataProvider('refused')]
    public function testWhatIsNotAPictureGetsItsOwnSentence(string $bytes, string $says): void
    {
        file_put_contents($this->scratch->path('in.jpg'), $bytes);

        $this->expectException(Unreadable::class);
        $this->expectExceptionMessageMatches('/^' . preg_quote($says, '/') . '/');
        $this->prepared($this->scratch->path('in.jpg'));
    }

    public function testTheLightMapKnowsWhereItIsDark(): void
    {
        $image = new \Imagick();
        $image->newPseudoImage(960, 540, 'gradient:black-white');
        $image->writeImage($this->scratch->path('in.png'));
        $this->prepared($this->scratch->path('in.png'));
        $map = new LightMap((string) file_get_contents($this->scratch->path(PreparedPicture::LIGHT)));

        self::assertLessThan(0.02, $map->under(new Frame(0, 0, 1, 0.08))[1]);
        self::assertGreaterThan(0.75, $map->under(new Frame(0, 0.92, 1, 0.08))[0]);
        // Half way in sRGB is about a fifth of the light (IEC 61966-2-1).
        self::assertEqualsWithDelta(0.214, $map->under(new Frame(0, 0.49, 1, 0.02))[0], 0.04);
    }

    public function testAWholePictureStandsOnItsOwnGround(): void
    {
        self::marked(600, 900)->writeImage($this->scratch->path('in.jpg'));
        $this->prepared($this->scratch->path('in.jpg'));
        WholePicture::make($this->scratch->path(PreparedPicture::FULL), $this->scratch->path('whole.jpg'), Shape::Wide);

        self::assertSame([1920, 1080], \array_slice(getimagesize($this->scratch->path('whole.jpg')) ?: [], 0, 2));
        [$r] = self::pixel($this->scratch->path('whole.jpg'), 0.45, 0.2);
        self::assertGreaterThan(200, $r, 'the picture itself, all of it');
        [$r] = self::pixel($this->scratch->path('whole.jpg'), 0.02, 0.1);
        self::assertLessThan(150, $r, 'the ground is darker');
    }

    public function testWhatIsTransparentStaysSoBesideTheCopyOnWhite(): void
    {
        $path = $this->scratch->path('cut.png');
        $image = new \Imagick();
        $image->newImage(2400, 1200, 'transparent');
        $draw = new \ImagickDraw();
        $draw->setFillColor('#c00000');
        $draw->rectangle(1200, 0, 2399, 1199);
        $image->drawImage($draw);
        $image->setImageFormat('png');
        $image->writeImage($path);

        self::assertTrue($this->prepared($path)->transparent);
        $cutout = new \Imagick($this->scratch->path('cutout.png'));
        self::assertSame([900, 450], [$cutout->getImageWidth(), $cutout->getImageHeight()]);
        self::assertSame([0, 255], [
            $cutout->exportImagePixels(100, 200, 1, 1, 'A', \Imagick::PIXEL_CHAR)[0],
            $cutout->exportImagePixels(800, 200, 1, 1, 'A', \Imagick::PIXEL_CHAR)[0],
        ]);
        self::assertEqualsWithDelta(192, $cutout->exportImagePixels(800, 200, 1, 1, 'R', \Imagick::PIXEL_CHAR)[0], 2);
        $full = new \Imagick($this->scratch->path('full.jpg'));
        self::assertSame([255, 255, 255], $full->exportImagePixels(100, 200, 1, 1, 'RGB', \Imagick::PIXEL_CHAR));
        self::assertSame([], $cutout->getImageProfiles('exif'));
    }

    public function testWhatOnlyCouldBeTransparentIsNot(): void
    {
        $path = $this->scratch->path('full.png');
        $image = new \Imagick();
        $image->newImage(300, 200, '#204060');
        $image->setImageAlphaChannel(\Imagick::ALPHACHANNEL_OPAQUE);
        $image->setImageFormat('png32');
        $image->writeImage($path);

        self::assertFalse($this->prepared($path)->transparent);
        self::assertFileDoesNotExist($this->scratch->path('cutout.png'));
    }
}
