<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Studio\Prepare\FaceNet;
use Rhapsode\Studio\Prepare\MeasuredPicture;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** What matters is found in pictures: in those of the demo, and in a portrait that was drawn for this. */
final class MattersTest extends TestCase
{
    /** The middle of what each picture of the demo is of, marked by eye: somebody where somebody is there, else the thing itself. */
    private const SUBJECTS = [
        'a-map-of-the-wend' => [0.57, 0.60],
        'dawn-over-the-wend' => [0.69, 0.40],
        'flour-goes-to-the-quay' => [0.65, 0.40],
        'gates-of-the-mill-pond' => [0.76, 0.40],
        'heron-in-the-reeds' => [0.52, 0.62],
        'inside-the-mill' => [0.21, 0.64],
        'lantern-night' => [0.50, 0.40],
        'low-water' => [0.78, 0.38],
        'moon-and-tide' => [0.67, 0.25],
        'old-postcard' => [0.52, 0.48],
        'the-great-wheel' => [0.48, 0.55],
        'the-mill-at-high-water' => [0.52, 0.42],
        'the-millers-stair' => [0.48, 0.55],
        'the-night-flood' => [0.62, 0.42],
    ];

    private static function thumb(Scratch $scratch, string $path): string
    {
        Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($path), '-vf', 'scale=480:480:force_original_aspect_ratio=decrease', '-q:v',
            '3', $scratch->path('thumb.jpg'),
        ]);

        return $scratch->path('thumb.jpg');
    }

    #[Group('deep')]
    public function testTheSubjectIsKeptInNarrowShapes(): void
    {
        $scratch = new Scratch();
        $lost = [];
        foreach (self::SUBJECTS as $name => [$x, $y]) {
            $thumb = self::thumb($scratch, __DIR__ . "/../../demo/pictures/{$name}.jpg");
            [$width, $height] = getimagesize($thumb) ?: [1, 1];
            $found = MeasuredPicture::of($thumb);
            $matters = $found->matters;
            self::assertSame(0, $found->sideways, "{$name} lies upright");
            self::assertSame([], $matters->faces, "{$name} is of nobody from near");
            foreach ([Shape::Upright, Shape::Square] as $shape) {
                $base = Framer::base($width / $height, $shape->ratio(), $matters);
                if ($x < $base->x || $x > $base->x + $base->width || $y < $base->y || $y > $base->y + $base->height) {
                    $lost[] = "{$name} in {$shape->value}";
                }
            }
        }

        self::assertLessThanOrEqual(0.05 * 2 * \count(self::SUBJECTS), \count($lost), implode(', ', $lost));
    }

    public function testAFaceIsFoundAndIsInEveryShape(): void
    {
        $scratch = new Scratch();
        Tool::run(['rsvg-convert', '--format', 'png', '--output', $scratch->path('face.png'), __DIR__ . '/../fixtures/a-face.svg']);
        $matters = MeasuredPicture::of(self::thumb($scratch, $scratch->path('face.png')))->matters;

        self::assertCount(1, $matters->faces);
        [$face] = $matters->faces;
        // Drawn with its middle at 1150, 550 of 1600 x 1200, about 320 by 430.
        self::assertEqualsWithDelta([0.72, 0.47], [$face->x + $face->width / 2, $face->y + $face->height / 2], 0.06);
        foreach (Shape::cases() as $shape) {
            $base = Framer::base(4 / 3, $shape->ratio(), $matters);
            self::assertEqualsWithDelta($face->width * $face->height, $base->shared($face), 1e-9, $shape->value);
        }
    }

    public function testTheNetIsBegunAgainAfterItHasEnded(): void
    {
        $grey = str_repeat("\x80", 3 * 64 * 48);
        $answer = FaceNet::ask($grey, 64, 48);
        self::assertSame('{"faces":[],"quarters":0}', trim((string) $answer));
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $isMine = 1 === preg_match('/^PPid:\s+' . getmypid() . '$/m', (string) @file_get_contents(\dirname($file) . '/status'));
            if ($isMine && str_contains((string) @file_get_contents($file), 'faces.cjs')) {
                posix_kill((int) basename(\dirname($file)), \SIGKILL);
            }
        }

        self::assertSame($answer, FaceNet::ask($grey, 64, 48));
    }

    /** A phone that was held upright and did not know it: the way back is told. */
    public function testAFaceOnItsSideTellsHowThePictureLies(): void
    {
        $scratch = new Scratch();
        Tool::run(['rsvg-convert', '--format', 'png', '--output', $scratch->path('face.png'), __DIR__ . '/../fixtures/a-face.svg']);
        foreach (['null' => 0, 'transpose=cclock' => 90, 'hflip,vflip' => 180, 'transpose=clock' => 270] as $lies => $back) {
            Tool::ffmpeg(['-v', 'error', '-i', Tool::file($scratch->path('face.png')), '-vf', $lies, $scratch->path('lies.png')]);
            self::assertSame($back, MeasuredPicture::of(self::thumb($scratch, $scratch->path('lies.png')))->sideways, $lies);
        }
    }

    public function testAPictureOfNothingHasNothing(): void
    {
        $scratch = new Scratch();
        Tool::ffmpeg(['-v', 'error', '-f', 'lavfi', '-i', 'color=gray:s=60x40', '-frames:v', '1', $scratch->path('grey.png')]);
        $matters = MeasuredPicture::of(self::thumb($scratch, $scratch->path('grey.png')))->matters;

        self::assertSame([], $matters->faces);
        self::assertEquals(Framer::base(1.5, Shape::Upright->ratio()), Framer::base(1.5, Shape::Upright->ratio(), $matters), 'it is framed as it would be');
    }

    public function testABlackBorderIsBlackAndADeepBlueIsNot(): void
    {
        $scratch = new Scratch();
        $inspected = static function (string $source) use ($scratch): ?array {
            Tool::ffmpeg(['-v', 'error', '-f', 'lavfi', '-i', $source, '-frames:v', '1', $scratch->path('made.png')]);

            $found = MeasuredPicture::of(self::thumb($scratch, $scratch->path('made.png')));
            self::assertFalse($found->isSoft, $source);

            return $found->unbordered?->toArray();
        };
        self::assertNull($inspected('rgbtestsrc=s=400x225'), 'bars of red, green and blue');
        $inside = $inspected('testsrc2=s=300x200,pad=400:200:50:0') ?? [];
        self::assertEqualsWithDelta([0.125, 0.0, 0.75, 1.0], array_values($inside), 0.02);
    }
}
