<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Prepare\Metadata;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** The original of a picture is kept without what it tells of its maker, and without a pixel changed; ExifTool and ImageMagick are the witnesses. */
final class OriginalTest extends TestCase
{
    /** @return iterable<string, array{string, int}> */
    public static function pictures(): iterable
    {
        foreach ([1, 3, 6, 8] as $orientation) {
            yield "a JPEG turned {$orientation}" => ['jpg', $orientation];
        }
        foreach (['png', 'webp', 'tiff', 'gif', 'heic'] as $kind) {
            yield $kind => [$kind, 1];
        }
    }

    private static function picture(Scratch $scratch, string $kind, int $orientation): string
    {
        $path = $scratch->path("picture.{$kind}");
        Media::picture($scratch->path('plain.png'), 'gradient:#803020-#20c0e0', 640, 420);
        Tool::run('heic' === $kind
            ? ['heif-enc', '-q', '90', $scratch->path('plain.png'), '-o', $path]
            : ['php', '-r', '$i = new Imagick($argv[1]); $i->setImageFormat($argv[2]); file_put_contents($argv[3], $i->getImageBlob());', $scratch->path('plain.png'), 'jpg' === $kind ? 'jpeg' : $kind, $path]);
        if ('gif' !== $kind) {
            Tool::run([
                'exiftool', '-q', '-overwrite_original', "-Orientation#={$orientation}", '-Artist=Ann Weir',
                '-GPSLatitude=51.5', '-GPSLatitudeRef=N', '-Model=Wonder Phone', '-XMP-dc:Rights=CC BY 4.0',
                '-XMP-dc:Title=The weir', $path,
            ]);
        }

        return $path;
    }

    #[DataProvider('pictures')]
    public function testNothingButThePictureIsKept(string $kind, int $orientation): void
    {
        $scratch = new Scratch();
        $path = self::picture($scratch, $kind, $orientation);
        mkdir($scratch->path('made'));
        $prepared = (new PicturePreparer())->prepare($path, $scratch->path('made'), true);
        $original = $scratch->path('made/' . $prepared->original);

        [$said] = Tool::run(['exiftool', '-G', '-S', $original]);
        self::assertDoesNotMatchRegularExpression('/Weir|Wonder|GPS|51\.5|CC BY/', $said);
        self::assertSame($orientation > 1 ? 1 : 0, preg_match('/\[EXIF\] Orientation:/', $said), 'but for how it is turned');
        if (\in_array($kind, ['jpg', 'png', 'webp'], true)) {
            self::assertSame(self::pixels($path), self::pixels($original), 'not a pixel is changed');
        } else {
            self::assertSame('original.png', $prepared->original);
        }
        // What it is prepared to is upright, whichever way it was turned.
        self::assertSame($orientation >= 5 ? [420, 640] : [640, 420], [$prepared->width, $prepared->height]);
    }

    public function testAColourProfileStays(): void
    {
        $scratch = new Scratch();
        $image = new \Imagick();
        $image->newPseudoImage(64, 48, 'xc:#336699');
        $image->setImageFormat('jpeg');
        $image->profileImage('icc', (string) file_get_contents(\dirname(__DIR__, 2) . '/studio/Prepare/srgb.icc'));
        file_put_contents($scratch->path('p.jpg'), $image->getImageBlob());
        $prepared = (new PicturePreparer())->prepare($scratch->path('p.jpg'), $scratch->folder, true);

        self::assertArrayHasKey('icc', (new \Imagick($scratch->path($prepared->original)))->getImageProfiles('icc', true));
    }

    /** What hangs behind the end of a picture is nobody's. */
    public function testWhatIsHiddenBehindAPictureGoes(): void
    {
        $scratch = new Scratch();
        $path = self::picture($scratch, 'jpg', 1);
        file_put_contents($path, 'a secret behind it', \FILE_APPEND);
        $prepared = (new PicturePreparer())->prepare($path, $scratch->folder, true);

        self::assertStringNotContainsString('a secret', (string) file_get_contents($scratch->path($prepared->original)));
    }

    public function testWhoseItIsIsReadFirstAndOffered(): void
    {
        $scratch = new Scratch();
        $path = self::picture($scratch, 'jpg', 1);
        mkdir($scratch->path('made'));
        $source = (new PicturePreparer())->prepare($path, $scratch->path('made'), true)->source;
        self::assertSame(['The weir', 'Ann Weir', 'CC BY 4.0'], [$source->title, $source->author, $source->licence]);

        // IPTC where there is nothing else; letters of Windows; and a file that says nothing.
        $old = $scratch->path('old.jpg');
        Media::picture($old, width: 64, height: 48);
        Tool::run(['exiftool', '-q', '-overwrite_original', '-IPTC:By-line=Bo', '-IPTC:CopyrightNotice=Public domain', $old]);
        self::assertSame(
            ['', 'Bo', 'Public domain'],
            [Metadata::source($old)->title, Metadata::source($old)->author, Metadata::source($old)->licence],
        );
        Media::picture($old, width: 64, height: 48);
        self::assertTrue(Metadata::source($old)->isEmpty());
    }

    /** What somebody wrote of it is offered; what a camera writes of itself is not. */
    public function testWhatItShowsIsReadAndACamerasNameIsNot(): void
    {
        $scratch = new Scratch();
        $path = $scratch->path('p.jpg');
        $described = static function (string ...$how) use ($path): string {
            Media::picture($path, width: 64, height: 48);
            Tool::run(['exiftool', '-q', '-overwrite_original', ...array_values($how), $path]);

            return Metadata::description($path);
        };

        self::assertSame(
            'Two herons at the weir',
            $described('-XMP-dc:Description=Two herons at the weir', '-EXIF:ImageDescription=Something else'),
        );
        self::assertSame('Am Wehr bei Köhn', $described('-IPTC:Caption-Abstract=Am Wehr bei Köhn', '-IPTC:CodedCharacterSet=UTF8'));
        self::assertSame('The miller and his cat', $described('-EXIF:ImageDescription=The miller and his cat'));
        self::assertSame('', $described('-EXIF:ImageDescription=QX 500 DIGITAL CAMERA'));
        self::assertSame('', $described('-EXIF:ImageDescription=     '));
        self::assertSame(300, mb_strlen($described('-XMP-dc:Description=' . str_repeat('water ', 200))));
        Media::picture($path, width: 64, height: 48);
        mkdir($scratch->path('made'));
        Tool::run(['exiftool', '-q', '-overwrite_original', '-XMP-dc:Description=Reeds', $path]);
        self::assertSame('Reeds', (new PicturePreparer())->prepare($path, $scratch->path('made'))->description);
    }

    public function testEntitiesInMetadataReachNothing(): void
    {
        $scratch = new Scratch();
        file_put_contents($scratch->path('secret'), 'a secret');
        $xmp = '<x:xmpmeta xmlns:x="adobe:ns:meta/"><!DOCTYPE a [<!ENTITY s SYSTEM "file://' . $scratch->path('secret') . '">]><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>&s;</dc:title></rdf:Description></rdf:RDF></x:xmpmeta>';
        Media::picture($scratch->path('p.jpg'), width: 64, height: 48);
        $bytes = (string) file_get_contents($scratch->path('p.jpg'));
        $segment = "http://ns.adobe.com/xap/1.0/\0" . $xmp;
        file_put_contents(
            $scratch->path('p.jpg'),
            substr($bytes, 0, 2) . "\xFF\xE1" . pack('n', 2 + \strlen($segment)) . $segment . substr($bytes, 2),
        );

        self::assertTrue(Metadata::source($scratch->path('p.jpg'))->isEmpty());
    }

    /** A picture with a recipe: turned a quarter, its renditions and its light are turned with it. */
    public function testARecipeIsFollowed(): void
    {
        $scratch = new Scratch();
        Media::picture($scratch->path('p.jpg'), 'gradient:#000000-#ffffff', 800, 600);
        (new PicturePreparer())->prepare($scratch->path('p.jpg'), $scratch->folder);
        $recipe = new \Rhapsode\Core\Picture\Recipe(90);
        foreach ([PreparedPicture::FULL, PreparedPicture::LIGHT] as $file) {
            (new PicturePreparer())->follow($file, $recipe, $scratch->path(PreparedPicture::MASTER), $scratch->folder);
        }
        [$width, $height] = getimagesize($scratch->path('full-t90.jpg')) ?: [0, 0];
        self::assertSame([600, 800], [$width, $height]);
        // Dark at the top becomes dark at the right.
        $light = new \Rhapsode\Core\Words\LightMap((string) file_get_contents($scratch->path('light-t90.bin')));
        self::assertGreaterThan(0.6, $light->under(new \Rhapsode\Core\Geometry\Frame(0, 0.4, 0.05, 0.2))[0]);
        self::assertLessThan(0.1, $light->under(new \Rhapsode\Core\Geometry\Frame(0.95, 0.4, 0.05, 0.2))[1]);
    }

    private static function pixels(string $path): string
    {
        [$raw] = Tool::ffmpeg(
            ['-v', 'error', '-noautorotate', '-i', Tool::file($path), '-frames:v', '1', '-pix_fmt', 'rgb24', '-f', 'rawvideo', '-'],
        );

        return hash('sha256', $raw);
    }
}
